/**
 * Told in the page: what of it is not in its place. What lies over the side; short words on two lines; figures that are wider than their own box; and texts that
 * lie over one another, or over a field or button, as far as they are seen. Of a panel that is open, what is in it.
 */
export const OUT_OF_PLACE = `
  const all = document.querySelector('[role=dialog]') ?? document.body
  const seen = (e) =>
    e.checkVisibility({ opacityProperty: true, visibilityProperty: true }) &&
    !e.closest('.sr-only, script, style, option, svg, [popover]:not(:popover-open)')
  /** What is seen of whatever stands in an element: what is around it may cut it off. Asked once of each element. */
  const windows = new Map([[document.documentElement, { left: -Infinity, right: Infinity, top: -Infinity, bottom: Infinity }]])
  const within = (a, b) => ({
    left: Math.max(a.left, b.left),
    right: Math.min(a.right, b.right),
    top: Math.max(a.top, b.top),
    bottom: Math.min(a.bottom, b.bottom),
  })
  const windowOf = (e) => {
    if (windows.has(e)) return windows.get(e)
    const around = windowOf(e.parentElement)
    const { overflowX, overflowY } = getComputedStyle(e)
    const cuts = overflowX !== 'visible' || overflowY !== 'visible'
    const is = cuts ? within(around, e.getBoundingClientRect()) : around
    windows.set(e, is)
    return is
  }
  const things = []
  const wrong = []
  const add = (of, around, says, box) => {
    const is = within(windowOf(around), box)
    if (is.right - is.left > 2 && is.bottom - is.top > 4) things.push({ of, says, ...is })
  }
  const inside = document.createRange()
  /** Words of a text that are broken though they are short: a number of four digits on two lines. */
  const broken = (text) =>
    [...text.data.matchAll(/[^\\s\u2011-\u2014\\/-]{2,10}(?![^\\s\u2011-\u2014\\/-])/g)].flatMap(({ 0: word, index }) => {
      if (index > 0 && !/[\\s\u2011-\u2014\\/-]/.test(text.data[index - 1])) return []
      inside.setStart(text, index)
      inside.setEnd(text, index + word.length)
      const lines = new Set([...inside.getClientRects()].map((box) => Math.round(box.top / 6)))
      return lines.size > 1 ? [word + ' is broken'] : []
    })
  const texts = document.createTreeWalker(all, NodeFilter.SHOW_TEXT)
  while (texts.nextNode()) {
    const text = texts.currentNode
    if (text.data.trim() === '' || !seen(text.parentElement)) continue
    inside.selectNodeContents(text)
    const boxes = inside.getClientRects()
    for (const box of boxes) add(text, text.parentElement, text.data.trim(), box)
    if (boxes.length > 1 && innerWidth >= 1280) wrong.push(...broken(text))
  }
  for (const e of all.querySelectorAll('input, select, textarea, button, a.btn'))
    if (seen(e)) add(e, e.parentElement, e.getAttribute('aria-label') ?? e.textContent, e.getBoundingClientRect())
  things.sort((a, b) => a.top - b.top)
  const belong = (a, b) => a === b || a.contains(b) || b.contains(a)
  things.forEach((a, i) => {
    for (let j = i + 1; j < things.length && things[j].top < a.bottom; j++) {
      const b = things[j]
      if (belong(a.of, b.of)) continue
      const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left)
      const high = Math.min(a.bottom, b.bottom) - b.top
      if (wide > 2 && high > 0.4 * Math.min(a.bottom - a.top, b.bottom - b.top))
        wrong.push(a.says.slice(0, 30) + ' lies over ' + b.says.slice(0, 30))
    }
  })
  for (const figure of all.querySelectorAll('.fig')) {
    inside.selectNodeContents(figure)
    const [is, has] = [inside.getBoundingClientRect(), figure.getBoundingClientRect()]
    if (is.width > 0 && has.width > 1 && (is.right > has.right + 1 || is.left < has.left - 1))
      wrong.push(figure.textContent + ' is wider than its place')
  }
  const over = document.documentElement.scrollWidth - innerWidth
  return over > 0 ? ['the page is wider by ' + over, ...wrong] : wrong`

/** Told in the page, on a phone: texts that are cut off, which nobody can point at to read the rest of, and what charts say in letters too small to read. */
export const UNREADABLE_ON_PHONE = `
  const cuts = (e) => e.scrollWidth > e.clientWidth + 1 && e.clientWidth > 1 && /hidden|clip/.test(getComputedStyle(e).overflowX)
  const all = [...document.body.querySelectorAll('*')].filter((e) => e.checkVisibility() && !e.closest('.sr-only'))
  return [
    ...all.filter((e) => cuts(e) && e.textContent.trim() !== '').map((e) => e.textContent.slice(0, 30) + ' is cut off'),
    ...all
      .filter((e) => e.tagName === 'text' && e.getBoundingClientRect().height < 11)
      .map((e) => e.textContent + ' is too small'),
  ]`
