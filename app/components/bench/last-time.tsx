import { useContext } from "react";
import { Link } from "react-router";
import { steady } from "../steady.ts";
import { BenchPlaceContext } from "./bench-context.ts";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

/** What was done last time, what that says of strength, and where to ask when more will come. */
export const LastTime = steady(function LastTime({
  last,
  strength,
  at,
}: {
  readonly last: string;
  readonly strength: string | null;
  /** The exercise at its equipment, as `lastKey` names it. */
  readonly at: string;
}) {
  const { person } = useContext(BenchPlaceContext);
  return (
    <p className={`${plain.text} ${bench.lastTime}`}>
      <span className={plain.soft}>Last time: </span>
      {last}
      {strength === null ? null : <span className={plain.soft}> · {strength}</span>}
      {person === null ? null : (
        <>
          {" · "}
          <Link to={`/people/${person}/when?at=${encodeURIComponent(at)}`}>Project a load</Link>
        </>
      )}
    </p>
  );
});
