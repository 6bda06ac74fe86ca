/** Stands in for a page whose figures are still being added up. */
export const Loading = () => (
  <p role="status" data-loading className="sub py-6">
    Adding up …
  </p>
)
