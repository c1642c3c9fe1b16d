import { resolve } from 'node:path';
import type { NextConfig } from 'next';

const root = resolve(import.meta.dirname, '..');

const config: NextConfig = {
  poweredByHeader: false,
  transpilePackages: ['@holotonos/core', '@holotonos/store'],
  serverExternalPackages: ['pg', '@react-pdf/renderer', 'sharp', 'workerpool'],
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
    // What a build keeps for the next one; whoever builds says whether there will be one.
    turbopackFileSystemCacheForBuild: process.env.HOLOTONOS_BUILD_CACHE === 'yes',
    optimizePackageImports: ['react-bootstrap', '@holotonos/core'],
    // A shop's server loads its pages before anybody asks for one.
    preloadEntriesOnStart: process.env.HOLOTONOS_PRELOAD !== 'no',
  },
};

export default config;
