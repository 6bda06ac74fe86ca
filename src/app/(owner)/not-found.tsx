import { To } from '@/ui/To'

export default function NotFound() {
  return (
    <>
      <h1>There is nothing here</h1>
      <p className="mt-2">
        The address may have been typed wrong. Look it up in its list, or go back to{' '}
        <To className="underline" href="/today">
          Today
        </To>
        .
      </p>
    </>
  )
}
