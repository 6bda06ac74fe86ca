import { refuse } from '@/contract/refuse'

/** Refuses a change to something that somebody else changed after it was looked at; whoever does not say what they saw is not held to it. */
export const mustBeAsSeen = (name: string, seen: string | undefined, edition: string): void => {
  if (seen !== undefined && seen !== edition) refuse({ code: 'changed-since', name })
}
