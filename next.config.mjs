/** Plain JavaScript: a server reads it at every start, and would translate it first. @type {import("next").NextConfig} */
const config = {
  poweredByHeader: false,
  compress: process.env.ARLENT_COMPRESS !== "no",
  serverExternalPackages: ["better-sqlite3", "sharp", "@react-pdf/renderer"],
  devIndicators: false,
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
      ],
    },
  ],
};

export default config;
