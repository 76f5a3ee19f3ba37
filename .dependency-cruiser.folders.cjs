/** Folders form no circle: a subject stands on others, none of which stands on it. Tests may look where they like. */
module.exports = {
  forbidden: [
    {
      name: "no-folder-circles",
      severity: "error",
      scope: "folder",
      from: { path: "^src/" },
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.css$|\\.test\\.tsx?$|/fixtures/|^src/app/|node_modules" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: { extensions: [".ts", ".tsx", ".js", ".json"] },
  },
};
