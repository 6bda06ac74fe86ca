import { present } from '@/core/present'
import { forecast, type ForecastInput, type ForecastWeek } from '@/core/receivables'

/** What the page hears while the futures are drawn: how far, and in the end the weeks. */
export type ForecastMessage =
  | { readonly kind: 'progress'; readonly done: number }
  | { readonly kind: 'done'; readonly weeks: readonly ForecastWeek[] }

/** Draws futures away from the page, telling how far it is. The page stops it by ending the worker. */
self.onmessage = ({ data }: MessageEvent<ForecastInput>) => {
  const weeks = present(
    forecast(data, (done) => {
      self.postMessage({ kind: 'progress', done } satisfies ForecastMessage)
      return true
    }),
  )
  self.postMessage({ kind: 'done', weeks } satisfies ForecastMessage)
}
