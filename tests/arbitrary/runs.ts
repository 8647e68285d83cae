const asked = process.env["KRAVO_RUNS"];

/** How often a property that takes long is tried: so many times, or fewer where fewer are asked for. */
export const atMost = (usual: number): number => Math.min(usual, Number(asked ?? usual));
