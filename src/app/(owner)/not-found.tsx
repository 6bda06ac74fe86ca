import Link from 'next/link'

export default function NotFound() {
  return (
    <>
      <h1>There is nothing here</h1>
      <p className="mt-2">
        The address may have been typed wrong. Look it up in its list, or go back to{' '}
        <Link prefetch={false} className="underline" href="/today">
          Today
        </Link>
        .
      </p>
    </>
  )
}
