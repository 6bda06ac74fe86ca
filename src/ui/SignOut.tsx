'use client'
import { request, UNANSWERED } from './http'
import { tell } from './tell'

/** The way out, on every page. What the window remembers goes with it: it is loaded anew. */
export const SignOut = ({ className }: { readonly className: string }) => {
  const signOut = async () => {
    const sent = await request('/api/session', { method: 'DELETE', unanswered: UNANSWERED })
    if (sent.ok) location.assign('/sign-in')
    else tell(sent.detail)
  }
  return (
    <button type="button" className={className} onClick={() => void signOut()}>
      Sign out
    </button>
  )
}
