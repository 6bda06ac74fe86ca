import { afterAll } from 'vitest'
import { dropDatabases } from './shop'

afterAll(dropDatabases)
