// Grows the demo of the bench: its clients many times over, and their settled sessions until so many sets are logged.
// Written in SQL, since it would take the application hours; what no page of the bench reads, the commands, is left out.

/** Columns that name what is made anew with each copy; everything else (studio, gym, equipment) is shared. */
const OWN = {
  people: ["id"],
  briefs: ["id", "person_id"],
  plans: ["id", "person_id", "revision_id", "planned_from_run", "phase_id"],
  plan_revisions: ["id", "plan_id"],
  phases: ["id", "person_id"],
  phase_revisions: ["id", "phase_id"],
  runs: ["id", "plan_id", "revision_id", "person_id"],
  performed_exercises: ["id", "run_id"],
  performed_parts: ["id", "command_id", "run_id", "revision_id"],
  waiting: ["id", "person_id", "run_id", "ruling_id"],
  warnings: ["id", "person_id"],
};

/** The columns of a table that can be written. */
async function columnsOf(connection, table) {
  const [rows] = await connection.query(
    `select column_name as name from information_schema.columns
     where table_schema = database() and table_name = ? and generation_expression is null`,
    [table],
  );
  return rows.map(({ name }) => name);
}

/** Two bytes of a number, as SQL has them. */
const bytes = (number) => `x'${number.toString(16).padStart(4, "0")}'`;
/** The id that a client's copy of this number has in place of another. */
const ofClient = (number) => (column) =>
  `concat(${bytes(0xf000 + number)}, x'0000', substr(${column}, 5))`;
/** The id that a later copy of a session has, by its layer from 1. */
const ofLayer = (layer) => (column) =>
  `concat(substr(${column}, 1, 2), ${bytes(layer)}, substr(${column}, 5))`;
const IS_FIRST = "substr(id, 1, 1) < x'f0'";
/** Of a client that was copied, and not a later copy of a session. */
const isBase = (column) => `(${column} >= x'f0' and substr(${column}, 3, 2) = x'0000')`;

/** Copies rows of a table; `others` says what a copy holds instead, by column. */
async function copy(connection, table, { idOf, where, others = {}, own = OWN[table] }) {
  const columns = await columnsOf(connection, table);
  const values = columns.map((name) =>
    name in others ? others[name] : own.includes(name) ? idOf(name) : name,
  );
  await connection.query(
    `insert into ${table} (${columns.join(", ")}) select ${values.join(", ")} from ${table} where ${where}`,
  );
}

const countOf = async (connection, table) => {
  const [[{ n }]] = await connection.query(`select count(*) as n from ${table}`);
  return Number(n);
};

/** Grows a studio to at least so many clients. */
async function growClients(connection, clients) {
  const first = await countOf(connection, "people");
  for (let number = 1; number * first < clients; number += 1) {
    for (const table of Object.keys(OWN))
      await copy(connection, table, { idOf: ofClient(number), where: IS_FIRST });
  }
}

/** Settled sessions over and over, each at another time; what was planned for them stands in one revision. */
async function growSets(connection, sets) {
  const settled = `settled_at is not null and ${isBase("id")}`;
  const ofRuns = `run_id in (select id from runs where ${settled})`;
  const [[{ last }]] = await connection.query(
    "select max(conv(hex(substr(id, 3, 2)), 16, 10) + 0) as last from runs where id >= x'f0'",
  );
  for (
    let layer = Number(last) + 1;
    (await countOf(connection, "performed_parts")) < sets;
    layer += 1
  ) {
    const idOf = ofLayer(layer);
    const earlier = layer * 86_400_000;
    const alone = { phase_id: "null", phase_day: "null", phase_week: "null", ruled: "null" };
    await copy(connection, "plans", {
      idOf,
      own: ["id"],
      where: `id in (select plan_id from runs where ${settled})`,
      others: {
        ...alone,
        planned_from_run: "null",
        day: `date_sub(day, interval ${layer + 400} day)`,
      },
    });
    await copy(connection, "performed_exercises", { idOf, own: ["id", "run_id"], where: ofRuns });
    await copy(connection, "performed_parts", {
      idOf,
      own: ["id", "command_id", "run_id"],
      where: ofRuns,
    });
    await copy(connection, "runs", {
      idOf,
      own: ["id", "plan_id"],
      where: settled,
      others: { started_at: `started_at - ${earlier}`, ended_at: `ended_at - ${earlier}` },
    });
  }
}

/** Grows a studio to at least so many clients and logged sets; how much there is then. */
export async function grow(db, { clients, sets }) {
  const raw = await db.client.acquireConnection();
  const connection = raw.promise();
  await connection.query("set foreign_key_checks = 0");
  if ((await countOf(connection, "people")) < clients) await growClients(connection, clients);
  await growSets(connection, sets);
  await connection.query("set foreign_key_checks = 1");
  for (const table of ["plans", "runs", "performed_parts", "waiting"])
    await connection.query(`analyze table ${table}`);
  const counts = {};
  for (const table of ["people", "runs", "performed_parts", "waiting"])
    counts[table] = await countOf(connection, table);
  await db.client.releaseConnection(raw);
  return counts;
}
