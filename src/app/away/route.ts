export const dynamic = 'force-static'

const PAGE = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<meta http-equiv="refresh" content="3;url=/today"><title>The database is away · Iron Till</title>
<style>body{margin:0;background:#fbf8f1;color:#1f2327;font:16px/1.5 system-ui,sans-serif}
main{max-width:34rem;margin:12vh auto;padding:1.5rem;border-top:4px solid #1f2327;background:#f4efe4}
h1{font-size:1.5rem;margin:0 0 .5rem}a{color:#a8431a}</style></head>
<body><main><h1>The database does not answer just now</h1><p>What was saved is safe. This page tries again every three seconds, and goes on to Today when it can.</p><p><a href="/today">Try now</a></p></main></body></html>`

/** Where the owner's pages send whoever comes while the database is away. */
export const GET = (): Response =>
  new Response(PAGE, {
    status: 503,
    headers: { 'content-type': 'text/html; charset=utf-8', 'retry-after': '3', 'cache-control': 'no-store' },
  })
