/** Imports point down only: app → server → format, codec → core. Proven for static, dynamic and side-effect imports. */
const tests = "\\.test\\.tsx?$";
const layer = (name, from, to, comment) => ({
  name,
  comment,
  severity: "error",
  from: { path: from, pathNot: tests },
  to: { path: to },
});
/** The rooms of core; each imports only those before it. */
const ROOMS = [
  "kernel",
  "gym",
  "movement",
  "plan",
  "person",
  "unroll",
  "log",
  "progress",
  "phase",
  "coach",
];
module.exports = {
  forbidden: [
    layer(
      "core-imports-only-core",
      "^core/",
      "^(codec|format|server|app|demo|testbed|tests|scripts)/",
      "core is pure",
    ),
    {
      name: "core-uses-only-listed-libraries",
      comment:
        "core may use dayjs, peberminta and leac (the written line), fast-deep-equal, and Zod to say what a kind holds; nothing with IO, no React, Knex or node:",
      severity: "error",
      from: { path: "^core/", pathNot: tests },
      to: {
        dependencyTypes: ["npm", "npm-dev", "npm-optional", "core"],
        pathNot: "node_modules/(dayjs|peberminta|leac|fast-deep-equal|zod)/",
      },
    },
    layer(
      "codec-imports-core",
      "^codec/",
      "^(format|server|app|demo|testbed)/",
      "codec stands on core",
    ),
    layer(
      "format-imports-core",
      "^format/",
      "^(codec|server|app|demo|testbed)/",
      "format stands on core",
    ),
    layer(
      "server-below-app",
      "^server/(?!app\\.ts$)",
      "^(app|demo|testbed)/",
      "server knows no screen",
    ),
    layer(
      "only-the-demo-imports-the-test-bed",
      "^(app|tests/db|tests/e2e|scripts)/",
      "^testbed/",
      "nothing that ships knows the simulated athlete",
    ),
    layer(
      "test-bed-imports-core",
      "^testbed/",
      "^(codec|format|server|app|demo)/",
      "it tests core",
    ),
    {
      name: "only-routes-import-server",
      comment: "loaders and actions only; the .server suffix keeps it out of the browser",
      severity: "error",
      from: {
        path: "^app/",
        pathNot: "^app/(routes/|root\\.tsx$|entry\\.server\\.tsx$|request\\.server\\.ts$)",
      },
      to: { path: "^server/" },
    },
    {
      name: "server-files-carry-the-suffix",
      comment: "React Router's build guards on .server",
      severity: "error",
      from: { path: "^app/" },
      to: { path: "^server/", pathNot: "\\.server\\.ts$" },
    },
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    ...ROOMS.map((room, i) => ({
      name: `rooms-in-order-${room}`,
      comment: `core's rooms import in this order only: ${ROOMS.join(" < ")}`,
      severity: "error",
      from: { path: `^core/${room}/`, pathNot: tests },
      to: { path: `^core/(?!(${ROOMS.slice(0, i + 1).join("|")})/)` },
    })),
    {
      name: "core-rooms-import-through-the-index",
      comment:
        "other rooms and outsiders import a room or an entry by its index; siblings import files",
      severity: "error",
      from: { path: "^(?:core/([^/]+)/|.)" },
      to: {
        path: "^core/[^/]+/(?!(index|(catalogue|notation|search|suggest|replan|warnings)/index)\\.ts$)",
        pathNot: "^core/$1/",
      },
    },
    {
      name: "entries-import-through-the-index",
      comment: "an entry of a room is closed to the rest of that room too",
      severity: "error",
      from: {
        path: "^core/",
        pathNot: `^core/[^/]+/(catalogue|notation|search|suggest|replan|warnings)/`,
      },
      to: {
        path: "^core/[^/]+/(catalogue|notation|search|suggest|replan|warnings)/(?!index\\.ts$)",
      },
    },
    {
      name: "no-index-exports-an-entry",
      comment: "the floor would load the parser and the catalogue",
      severity: "error",
      from: { path: "^core/[^/]+/index\\.ts$" },
      to: { path: "^core/[^/]+/(catalogue|notation|search|suggest|replan|warnings)/" },
    },
    {
      name: "resolves",
      severity: "error",
      from: {},
      to: { couldNotResolve: true, pathNot: "^virtual:|\\+types/|\\?url$" },
    },
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\+types/" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "require", "node", "default", "types"],
    },
  },
};
