// @vitest-environment happy-dom
import { act, cleanup, renderHook } from "@testing-library/react";
import { afterEach, expect, it, vi } from "vitest";
import type { HeldSession } from "~/codec/hand-in.ts";
import { sampleId } from "~/tests/samples/index.ts";
import * as logStore from "./log-store.ts";
import * as sync from "./sync.ts";
import { useSessionLog } from "./use-session-log.ts";

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

it("what is pressed while the store is being opened is written down once it is, in its order", async () => {
  const session = sampleId<"sessionLog">(1);
  const said: string[] = [];
  const store = {
    merge: () => Promise.resolve(),
    keepSession: () => Promise.resolve(),
    load: () => Promise.resolve({ entries: [], unreadable: [] }),
    append: (_: unknown, compose: () => readonly string[]) => {
      said.push(...compose());
      return Promise.resolve([]);
    },
  };
  let open = (): void => undefined;
  vi.spyOn(logStore, "openLogStore").mockReturnValue(
    new Promise((done) => {
      open = () => done(store as never);
    }),
  );
  vi.spyOn(sync, "syncSession").mockResolvedValue({ kind: "saved", newestRevision: null } as never);
  const loaded: never[] = [];
  const held = {} as HeldSession;
  const { result } = renderHook(() => useSessionLog(session, loaded, held));
  const presses = ["skip", "done"].map((press) => result.current.append(() => [press] as never));
  await act(() => Promise.resolve());
  expect(said).toEqual([]);
  expect(result.current.saveState.kind).toBe("opening");
  open();
  await act(async () => {
    await Promise.all(presses);
  });
  expect(said).toEqual(["skip", "done"]);
  expect(result.current.saveState.kind).toBe("saved");
});
