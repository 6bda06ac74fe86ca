import type { WebDriver, WebElement } from 'selenium-webdriver'
import { complaintsOf } from '../../scripts/browser'

/** Runs first in every page: what is asked of the server, what it answers, and whether something is still on its way. */
export const WATCHES = `
  window.answers = []
  window.pending = 0
  window.print = () => {}
  const send = window.fetch
  window.fetch = async (...asked) => {
    pending++
    try {
      const answer = await send(...asked)
      answers.push({ call: (asked[1]?.method ?? 'GET') + ' ' + String(asked[0]?.url ?? asked[0]), status: answer.status })
      return answer
    } finally {
      setTimeout(() => pending--, 100)
    }
  }`

/** What may be pressed or typed into and is in sight, what stands in fields, and what can be seen to be wrong. */
const LOOK = `
  const shown = (e) => {
    const { width, height } = e.getBoundingClientRect()
    return width > 1 && height > 1 && e.checkVisibility({ visibilityProperty: true, opacityProperty: true }) && !e.closest('[inert], [aria-hidden=true]')
  }
  const short = (e) => e.outerHTML.replace(/ class="[^"]*"/g, '').slice(0, 140)
  const [x, y] = [(r) => r.left + r.width / 2, (r) => r.top + r.height / 2]
  const within = (r, px, py) => px >= r.left && px <= r.right && py >= r.top && py <= r.bottom
  // What was scrolled out of the part of the page it lies in is not in sight.
  const scrolledOut = (e, px, py) => {
    for (let on = e.parentElement; on && on !== document.body; on = on.parentElement)
      if (getComputedStyle(on).overflowX !== 'visible' && !within(on.getBoundingClientRect(), px, py)) return true
    return false
  }
  const panel = [...document.querySelectorAll('[role=dialog], :popover-open')].filter(shown).at(-1)
  const elsewhere = /sign-out|\\/api\\/|restore|backup|mailto:/
  const hands = [...(panel ?? document).querySelectorAll('a[href], button, input, select, textarea, [role=option], summary')].filter(
    (e) =>
      shown(e) && !e.disabled && !e.readOnly && !/^(file|password)$/.test(e.type) && !/sign out|restore/i.test(e.textContent) &&
      !(e.matches('a') && (elsewhere.test(e.getAttribute('href')) || e.target === '_blank' || e.hasAttribute('download'))),
  )
  const wrong = []
  if (document.documentElement.scrollWidth > innerWidth + 1) wrong.push('over the side, by ' + (document.documentElement.scrollWidth - innerWidth))
  for (const e of document.querySelectorAll('button, th, h1, h2, label'))
    if (shown(e) && getComputedStyle(e).overflow === 'hidden' && getComputedStyle(e).textOverflow !== 'ellipsis' && e.scrollWidth > e.clientWidth + 1)
      wrong.push('cut off: ' + short(e))
  for (const e of hands) {
    const r = e.getBoundingClientRect()
    const over = document.elementFromPoint(x(r), y(r))
    const may = '[href="#main"], [data-sonner-toaster], .menu, [role=dialog], [cmdk-list], [role=listbox]'
    if (over && !scrolledOut(e, x(r), y(r)) && !e.matches('[role=option]') && e.getClientRects().length === 1 && !e.contains(over) && !over.contains(e) && !over.closest(may) && !over.closest('label')?.contains(e))
      wrong.push('covered: ' + short(e) + ' by ' + short(over))
  }
  const said = location.pathname === '/docs/api' ? '' : document.body.innerText
  const odd = /Something went wrong|\\bundefined\\b|\\bNaN\\b|\\[object |\\bInfinity\\b|Invalid Date/.exec(said)
  if (odd) wrong.push('says: ' + said.slice(Math.max(0, odd.index - 60), odd.index + 40))
  const fields = [...document.querySelectorAll('input:not([type=radio], [type=checkbox]), textarea')].filter((e) => shown(e) && e.name)
  return {
    at: location.pathname + location.search,
    wrong,
    hands,
    kinds: hands.map((e) => (panel || e.closest('main') ? '' : 'aside ') + (e.matches('select') ? 'select' : e.matches('input, textarea') ? e.type : e.matches('[role=option]') ? 'option' : e.matches('a') ? 'link' : 'button')),
    names: hands.map((e) => (e.getAttribute('aria-label') ?? e.labels?.[0]?.textContent ?? e.textContent).trim().slice(0, 60)),
    refuses: [...document.querySelectorAll('[role=alert], [aria-invalid=true]')].some(shown) || document.querySelector('[data-sonner-toast]') !== null,
    typed: Object.fromEntries(fields.filter((e) => e.value).map((e) => [e.name, e.value])),
    answers: window.answers.splice(0),
  }`

export interface Look {
  readonly at: string
  readonly wrong: readonly string[]
  readonly hands: readonly WebElement[]
  readonly kinds: readonly string[]
  readonly names: readonly string[]
  /** Something on the page says that something was refused. */
  readonly refuses: boolean
  readonly typed: Readonly<Record<string, string>>
  readonly answers: readonly { readonly call: string; readonly status: number }[]
}

const QUIET =
  'return document.readyState === "complete" && !(window.pending > 0) && (document.documentElement.dataset.ready === "yes" || !document.querySelector("[data-quick-line]"))'

/** What somebody sees when nothing moves any more; what broke meanwhile counts as wrong. */
export const lookAt = async (driver: WebDriver): Promise<Look> => {
  const quiet = await driver.wait(() => driver.executeScript<boolean>(QUIET), 10_000).catch(() => false)
  const look = await driver.executeScript<Look>(LOOK)
  return { ...look, wrong: [...look.wrong, ...(await complaintsOf(driver)), ...(quiet ? [] : ['never quiet'])] }
}

const isCommand = (call: string): boolean => !call.startsWith('GET ') && !call.includes('preview=true')

/** How many commands were done. */
export const doneIn = ({ answers }: Look): number => answers.filter((a) => a.status < 300 && isCommand(a.call)).length

/** An answer that is no sentence, a refusal nobody reads, or what was typed and is gone. */
export const wrongAnswers = (look: Look, before: Look | null): readonly string[] =>
  look.answers.flatMap(({ call, status }) => {
    if (status >= 500) return [`${status} ${call}`]
    // The description of the interface shows each answer as it is.
    if (status < 400 || !isCommand(call) || look.at.startsWith('/docs/api')) return []
    const lost = Object.entries(before?.at === look.at ? before.typed : {}).filter(([name]) => !look.typed[name])
    return [
      ...(look.refuses ? [] : [`refused without a word: ${status} ${call}`]),
      ...lost.map(([name, value]) => `what was typed is lost (${name}: ${value}): ${status} ${call}`),
    ]
  })
