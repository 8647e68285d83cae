import { Fragment } from "react";
import { writtenParts } from "~/format/written-line.ts";
import plain from "../../theme/plain.module.css";

/** A written line to be read: warm-up sets softer than those that count. */
export function WrittenText({ line }: { readonly line: string }) {
  return writtenParts(line).map(({ text, isSoft }, i) => (
    <Fragment key={i}>
      {i === 0 ? "" : " · "}
      {isSoft ? <span className={plain.soft}>{text}</span> : text}
    </Fragment>
  ));
}
