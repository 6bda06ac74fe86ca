import { writeFileSync } from 'node:fs'
import { testCluster } from '../tests/cluster'
import { fillAll } from '../tests/bench/http'
const cluster = await testCluster({ onDisk: true, settings: ['shared_preload_libraries=pg_stat_statements'] })
await fillAll(cluster.url, 'little', 1000, true).then((f) => f.close())
const f = await fillAll(cluster.url, 'large', 100000, true)
await f.close()
writeFileSync('/tmp/s/url', f.databaseUrl)
setInterval(() => {}, 1000)
