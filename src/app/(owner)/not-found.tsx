import { To } from '@/ui/To'

export default function NotFound() {
  return (
    <>
      <h1>Page not found</h1>
      <p className="mt-2">
        Check the address, search for it, or go back to{' '}
        <To className="underline" href="/today">
          Today
        </To>
        .
      </p>
    </>
  )
}
