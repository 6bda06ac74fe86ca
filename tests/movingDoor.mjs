// @ts-check
/**
 * The application as it is served, for tests that follow each other: told so by who started it, it goes on with another database,
 * day and settings, as if it had just been started with them. What it keeps of a database, it keeps by its connection.
 */
import { resolve } from 'node:path'

/** @typedef {{ close: () => Promise<void> }} Connection */
/** @typedef {{ destroy: () => Promise<void> }} Threads */
/** @typedef {{ ironTillDatabase?: Connection, ironTillThreads?: Record<string, Threads> }} Held */

process.on('message', (/** @type {Record<string, string>} */ env) => {
  for (const name of Object.keys(process.env)) if (name.startsWith('TILL_')) Reflect.deleteProperty(process.env, name)
  Object.assign(process.env, env)
  const held = /** @type {Held} */ (globalThis)
  const { ironTillDatabase, ironTillThreads } = held
  delete held.ironTillDatabase
  delete held.ironTillThreads
  for (const name of ['iron-till/locale', 'iron-till/time-zone']) Reflect.deleteProperty(held, name)
  void ironTillDatabase?.close()
  // Threads took the settings along when they were started.
  for (const threads of Object.values(ironTillThreads ?? {})) void threads.destroy()
  process.send?.('moved')
})

await import(resolve('door.mjs'))
