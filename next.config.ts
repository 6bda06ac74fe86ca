import type { NextConfig } from 'next'

// The policy of pages, with a nonce for each request, is set by the front door (scripts/door.mjs).
const SECURITY_HEADERS = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: 'camera=(), microphone=(), geolocation=()' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
]

const config: NextConfig = {
  output: 'standalone',
  poweredByHeader: false,
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
  ],
  headers: async () => [
    { source: '/:path*', headers: SECURITY_HEADERS },
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
