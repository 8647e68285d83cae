import { describe, expect, it } from "vitest";
import { isCommonPassword } from "./common-passwords.server.ts";

const account = {
  email: "rosalind@barn.example",
  displayName: "Rosalind Test",
  studioName: "The Barn",
};
const isCommon = (password: string) => isCommonPassword(password, account);

describe("a password that is guessed first", () => {
  it.each([
    ["among the commonest", "1234567890"],
    ["in capitals", "QWERTYUIOP"],
    ["with signs between", "1q2w-3e4r-5t6y"],
    ["of hardly any different characters", "ababababababa"],
    ["the own address", "rosalind@barn.example"],
    ["the own name with a digit", "Rosalind Test1"],
    ["the studio's name with some signs", "the barn!!!"],
  ])("is one %s", async (_, password) => {
    expect(await isCommon(password)).toBe(true);
  });

  it("is not one of a few unrelated words", async () => {
    expect(await isCommon("four unrelated words")).toBe(false);
    expect(await isCommon("barn owl counts plates")).toBe(false);
  });
});
