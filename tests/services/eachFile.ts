import { afterAll } from 'vitest'
import { closeDatabases } from './shop'

afterAll(closeDatabases)
