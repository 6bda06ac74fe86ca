import { afterAll, beforeAll } from 'vitest'
import { connectAtMost } from '@/data/connect'
import { dropDatabases } from './shop'

/** Most files have one hand. Each connection learns the tables anew, which is a tenth of what they compute; see `manyHands`. */
const FEW = 3

beforeAll(() => connectAtMost(FEW))
afterAll(dropDatabases)
