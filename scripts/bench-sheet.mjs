// What a key takes on the phase sheet, with the processor as it is and four times slower.

/** The phase with the most lines, opened and idle. */
export async function sheetKeys(page, origin, path) {
  await page.goto(origin + path);
  const grid = page.getByRole("grid", { name: "Weeks of the phase" });
  await grid.waitFor();
  await page.waitForTimeout(1500);
  const throttle = await page.context().newCDPSession(page);
  for (const rate of [1, 4]) {
    await throttle.send("Emulation.setCPUThrottlingRate", { rate });
    const { moves, letters } = await grid.evaluate(async (table) => {
      const press = (target, key) =>
        target.dispatchEvent(
          new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true }),
        );
      const idle = () => new Promise((resolve) => setTimeout(resolve, 120));
      const panel = () => document.querySelector("[aria-label='Selected cell']");
      const [moves, letters] = [[], []];
      const keys = ["ArrowDown", "ArrowRight", "ArrowUp", "ArrowLeft"];
      for (let i = 0; i < 40; i++) {
        const before = panel().textContent;
        const begun = performance.now();
        press(document.activeElement, keys[i % 4]);
        while (panel().textContent === before && performance.now() - begun < 2000)
          await new Promise((resolve) => setTimeout(resolve, 0));
        void document.body.offsetHeight;
        moves.push(performance.now() - begun);
        await idle();
      }
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set;
      press(document.activeElement, "1");
      await idle();
      const input = table.querySelector("input");
      const text = "4 x 6 at 105 leave 1 rest 3:00";
      for (let n = 1; n <= text.length; n++) {
        const begun = performance.now();
        set.call(input, text.slice(0, n));
        input.dispatchEvent(new InputEvent("input", { bubbles: true }));
        void document.body.offsetHeight;
        letters.push(performance.now() - begun);
        await idle();
      }
      press(input, "Escape");
      await idle();
      const sorted = (list) => list.sort((a, b) => a - b);
      return { moves: sorted(moves), letters: sorted(letters) };
    });
    const at = (list, share) => list[Math.floor(list.length * share)].toFixed(0);
    console.log(
      `The phase sheet, ${rate === 1 ? "unthrottled" : `${rate} times slower`}, ms: a letter in a cell median ${at(letters, 0.5)}, 95 % within ${at(letters, 0.95)}; another cell until it is explained median ${at(moves, 0.5)}, 95 % within ${at(moves, 0.95)}`,
    );
  }
}
