import { existsSync } from 'node:fs'
import { join } from 'node:path'
import type { NextConfig } from 'next'

const config: NextConfig = {
  output: 'standalone',
  poweredByHeader: false,
  experimental: {
    // Who builds a second time will build a third: the first build of a fresh copy, often the only one, keeps nothing for others.
    turbopackFileSystemCacheForBuild: existsSync(join(import.meta.dirname, '.next/built-from')),
    // Whoever opens the first page does not wait for all others to be read in: the front door does that afterwards.
    preloadEntriesOnStart: false,
    // Nothing reads the server's: they were a third of what such a build wrote.
    turbopackSourceMaps: false,
  },
  // Which build it is: what one keeps to look faster, another does not take.
  env: { TILL_BUILD: process.env.TILL_BUILD ?? '' },
  // bin/test checks types; a start should not wait for it.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: [
    'pdfkit',
    'piscina',
    '@node-rs/argon2',
    'postgres',
    'pino',
    'exceljs',
    'nodemailer',
    'bwip-js',
    'pdfjs-dist',
  ],
  // What every answer says to browsers, and the policy of pages, is said by the front door (scripts/door.mjs).
  headers: async () => [
    // A paper is looked at in a frame of our own pages while its layout is made.
    {
      source: '/api/v1/export/:path*',
      headers: [
        { key: 'X-Frame-Options', value: 'SAMEORIGIN' },
        {
          key: 'Content-Security-Policy',
          value: "default-src 'none'; style-src 'unsafe-inline'; img-src 'self' data:; frame-ancestors 'self'",
        },
      ],
    },
  ],
}

export default config
