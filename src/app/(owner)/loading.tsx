export default function Loading() {
  return (
    <p className="sub py-2" role="status">
      One moment …
    </p>
  )
}
