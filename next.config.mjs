import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";

/** Source: V8's own notes, "Explicit compile hints" (the comment for a whole file). */
const WHOLE = "//# allFunctionsCalledOnLoad\n";

/**
 * Asks browsers to compile a script whole: as it comes and on another thread, and kept with it, so that a page visited
 * again finds it compiled. Otherwise the parts of a bundle are compiled one by one as they are called, at every visit.
 */
async function compiledWhole({ distDir }) {
  const folder = join(distDir, "static", "chunks");
  for (const name of readdirSync(folder)) {
    if (!name.endsWith(".js")) continue;
    const script = readFileSync(join(folder, name), "utf8");
    if (!script.startsWith(WHOLE)) writeFileSync(join(folder, name), WHOLE + script);
  }
}

/** Plain JavaScript: a server reads it at every start, and would translate it first. @type {import("next").NextConfig} */
const config = {
  poweredByHeader: false,
  compress: process.env.ARLENT_COMPRESS !== "no",
  serverExternalPackages: ["better-sqlite3", "sharp", "@react-pdf/renderer", "highs"],
  devIndicators: false,
  compiler: { runAfterProductionCompile: compiledWhole },
  // The test command checks all types by itself: a build of checked code does not do it again.
  typescript: { ignoreBuildErrors: true },
  experimental: {
    // A little over the largest photograph taken: what is cut off there would be no picture any more.
    proxyClientMaxBodySize: "13mb",
    // Nothing of a finished build reads them.
    turbopackSourceMaps: process.env.NODE_ENV !== "production",
    turbopackFileSystemCacheForBuild: process.env.ARLENT_FIRST_BUILD !== "1",
    preloadEntriesOnStart: process.env.ARLENT_LOAD !== "late",
  },
  headers: async () => [
    {
      source: "/:path*",
      headers: [
        { key: "x-content-type-options", value: "nosniff" },
        { key: "referrer-policy", value: "same-origin" },
        { key: "x-frame-options", value: "DENY" },
        { key: "cross-origin-opener-policy", value: "same-origin" },
        { key: "cross-origin-resource-policy", value: "same-origin" },
        {
          key: "permissions-policy",
          value:
            "camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=(), bluetooth=(), display-capture=()",
        },
      ],
    },
  ],
};

export default config;
