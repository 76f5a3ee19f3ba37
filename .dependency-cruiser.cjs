/** The one-way arrows between the rooms: app → service → store → core, ui → core; messages → core. */
const TESTS = "\\.test\\.tsx?$|/fixtures/";

const only = (room, allowed) => ({
  name: `${room}-arrows`,
  severity: "error",
  comment: `src/${room} may reach ${allowed.length ? allowed.join(", ") : "nothing outside itself"}`,
  from: { path: `^src/${room}/`, pathNot: TESTS },
  to: { path: "^src/", pathNot: [room, ...allowed].map((one) => `^src/${one}/`) },
});

module.exports = {
  forbidden: [
    only("core", []),
    only("store", ["core", "messages"]),
    only("service", ["store", "core", "messages"]),
    only("messages", ["core"]),
    only("ui", ["core", "messages"]),
    only("cli", ["service", "core", "messages"]),
    only("worker", ["service", "core", "ui", "paper", "messages"]),
    only("paper", ["core", "ui", "messages"]),
    only("app", ["service", "core", "ui", "paper", "worker", "messages"]),
    {
      name: "core-is-pure",
      severity: "error",
      comment: "the core imports nothing but Zod and the numeric packages and the solver named here",
      from: { path: "^src/core/", pathNot: TESTS },
      to: {
        pathNot: [
          "^src/core/",
          "^node_modules/zod/",
          "^node_modules/ml-matrix/",
          "^node_modules/highs/",
          "^node_modules/@stdlib/(math-base-special-erfc|stats-base-dists-(t|chisquare|beta|hypergeometric)-(cdf|quantile))/",
        ],
      },
    },
    {
      name: "core-has-one-door",
      severity: "error",
      from: { path: "^src/", pathNot: "^src/core/" },
      to: { path: "^src/core/", pathNot: ["^src/core/index\\.ts$", "/fixtures/"] },
    },
    {
      name: "fixtures-are-for-tests",
      severity: "error",
      from: { path: "^src/", pathNot: TESTS },
      to: { path: "/fixtures/" },
    },
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    { name: "nothing-unresolved", severity: "error", from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.css$" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "types", "default"],
      extensions: [".ts", ".tsx", ".js", ".json"],
    },
  },
};
