export const exportLinks = (name: string, query: string) => (
  <p className="mt-4 flex gap-2">
    <a className="btn" href={`/api/v1/export/${name}.csv?${query}`}>
      Save as CSV
    </a>
    <a className="btn" href={`/api/v1/export/${name}.xlsx?${query}`}>
      XLSX
    </a>
  </p>
)
