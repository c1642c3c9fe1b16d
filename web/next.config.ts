import { resolve } from 'node:path';
import type { NextConfig } from 'next';

const root = resolve(import.meta.dirname, '..');

/** Nothing is fetched from anywhere but this server; no eval. Next's own inline bootstrapping needs 'unsafe-inline'. */
const contentSecurityPolicy = [
  "default-src 'self'",
  "script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "worker-src 'self' blob:",
  "object-src 'none'",
  "base-uri 'self'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join('; ');

const config: NextConfig = {
  poweredByHeader: false,
  transpilePackages: ['@holotonos/core', '@holotonos/store'],
  serverExternalPackages: ['pg', '@react-pdf/renderer', 'sharp'],
  turbopack: { root },
  outputFileTracingRoot: root,
  // bin/test checks types; a start should not wait for it again.
  typescript: { ignoreBuildErrors: true },
  images: { unoptimized: true },
  sassOptions: {
    quietDeps: true,
    silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
    loadPaths: [resolve(root, 'node_modules')],
  },
  experimental: {
    optimizePackageImports: ['react-bootstrap', '@holotonos/core'],
    // The proxy hands on no more of a body than this, cut off without a word; the routes have their own, smaller limits.
    proxyClientMaxBodySize: '160mb',
  },
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'Content-Security-Policy', value: contentSecurityPolicy },
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'same-origin' },
      ],
    },
  ],
};

export default config;
