'use client'
import { onceAwake } from './lazily'

/** Where what is said at the edge of the screen appears: nothing is, before somebody did something. */
export const Notices = onceAwake(() => import('./NoticesShown').then((m) => m.NoticesShown))
