import { readFileSync } from 'node:fs'
import { openDatabase } from '@/data/connect'
import { migrate } from '@/data/migrate'
for (const url of [readFileSync('/tmp/s/url', 'utf8'), readFileSync('/tmp/s/url', 'utf8').replace('/large', '/little')]) {
  const { db, close } = openDatabase(url, { patient: true })
  await migrate(db)
  await close()
}
