import { instant } from "../core/kernel/index.ts";
import { openDatabase } from "../server/db/connection.server.ts";
import { migrate } from "../server/db/schema.server.ts";
import { moveForward, seedDemo } from "../demo/seed.server.ts";

const url = process.env["DATABASE_URL"];
if (url === undefined) throw new Error("DATABASE_URL is not set");
const fixed = process.env["KRAVO_FIXED_NOW"];
const now = fixed === undefined ? Date.now() : Date.parse(fixed);
const db = openDatabase(url);
await migrate(db);
const seeded = await seedDemo(db, instant(now));
if (seeded) console.log("Seeded the demo.");
else {
  const days = await moveForward(db, instant(now));
  if (days > 0)
    console.log(
      `Moved the untouched demo sessions forward by ${days} ${days === 1 ? "day" : "days"}.`,
    );
}
await db.destroy();
