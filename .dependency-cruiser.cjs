/** Imports point down only: app → server → format, codec → core. Proven for static, dynamic and side-effect imports. */
const tests = "\\.test\\.tsx?$";
const layer = (name, from, to, comment) => ({
  name,
  comment,
  severity: "error",
  from: { path: from, pathNot: tests },
  to: { path: to },
});
module.exports = {
  forbidden: [
    layer(
      "core-imports-only-core",
      "^core/",
      "^(codec|format|server|app|demo|tests|scripts)/",
      "core is pure",
    ),
    {
      name: "core-uses-only-listed-libraries",
      comment:
        "core may use dayjs, chevrotain and fast-deep-equal; nothing with IO, no Zod, React, Knex or node:",
      severity: "error",
      from: { path: "^core/", pathNot: tests },
      to: {
        dependencyTypes: ["npm", "npm-dev", "npm-optional", "core"],
        pathNot: "node_modules/(dayjs|chevrotain|fast-deep-equal)/",
      },
    },
    layer("codec-imports-core", "^codec/", "^(format|server|app|demo)/", "codec stands on core"),
    layer("format-imports-core", "^format/", "^(codec|server|app|demo)/", "format stands on core"),
    layer("server-below-app", "^server/(?!app\\.ts$)", "^(app|demo)/", "server knows no screen"),
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
    {
      name: "samples-are-for-tests",
      severity: "error",
      from: { pathNot: `${tests}|^core/samples/|^tests/` },
      to: { path: "^core/samples/" },
    },
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    {
      name: "fold-imports-through-the-index",
      comment: "outsiders import a core folder by its index; siblings import files",
      severity: "error",
      from: { path: "^core/([^/]+)/" },
      to: { path: "^core/([^/]+)/(?!index\\.ts$)", pathNot: "^core/$1/" },
    },
    {
      name: "outsiders-import-core-by-index",
      severity: "error",
      from: { pathNot: "^core/" },
      to: { path: "^core/[^/]+/(?!index\\.ts$)" },
    },
    {
      name: "resolves",
      severity: "error",
      from: {},
      to: { couldNotResolve: true, pathNot: "^virtual:|\\+types/" },
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
