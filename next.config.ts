import type { NextConfig } from "next";

const development = process.env.NODE_ENV === "development";

const policy = [
  "default-src 'self'",
  `script-src 'self' 'unsafe-inline'${development ? " 'unsafe-eval'" : ""}`,
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data:",
  "font-src 'self'",
  "connect-src 'self'",
  "frame-ancestors 'none'",
  "base-uri 'self'",
  "form-action 'self'",
].join("; ");

const config: NextConfig = {
  poweredByHeader: false,
  serverExternalPackages: ["better-sqlite3", "sharp", "@react-pdf/renderer"],
  devIndicators: false,
  headers: async () => [
    {
      source: "/:path*",
      headers: [
        { key: "content-security-policy", value: policy },
        { key: "x-content-type-options", value: "nosniff" },
        { key: "referrer-policy", value: "same-origin" },
        { key: "x-frame-options", value: "DENY" },
      ],
    },
  ],
};

export default config;
