import type { NextConfig } from "next";

const config: NextConfig = {
  poweredByHeader: false,
  serverExternalPackages: ["better-sqlite3", "sharp", "@react-pdf/renderer"],
  devIndicators: false,
  // The test command checks all types by itself: a build of checked code does not do it again.
  typescript: { ignoreBuildErrors: true },
  // A little over the largest photograph taken: what is cut off there would be no picture any more.
  experimental: { proxyClientMaxBodySize: "13mb" },
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
