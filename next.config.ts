import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ['better-sqlite3', '@react-pdf/renderer', 'piscina'],
  experimental: { optimizePackageImports: ['@mui/material'] },
};

export default config;
