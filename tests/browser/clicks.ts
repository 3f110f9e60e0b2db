import type { Page } from 'puppeteer-core'

/** Waits until nothing lies over what is to be clicked, such as a question that is just going away. */
export async function untilSeen(page: Page, selector: string): Promise<void> {
  const seen = (where: string) => {
    const element = document.querySelector(where)
    if (!element) return true
    const { left, top, width, height } = element.getBoundingClientRect()
    const over = document.elementFromPoint(left + width / 2, top + height / 2)
    return !over || over.contains(element) || element.contains(over)
  }
  await page.waitForFunction(seen, { timeout: 5000 }, selector).catch(() => undefined)
}

/** A button that is grey while something is checked is waited for, as a person does. */
async function untilReady(page: Page, selector: string): Promise<void> {
  const ready = (where: string) => !document.querySelector(where)?.matches(':disabled')
  await page.waitForFunction(ready, { timeout: 5000 }, selector).catch(() => undefined)
}

type Watched = Window & { aimed?: { at: string; hit: boolean; missed: boolean; stop: () => void } }

/** From now on a click that hits something else, because the page moved under the pointer, does nothing. */
const aim = (at: string) => {
  const events = ['pointerdown', 'mousedown', 'pointerup', 'mouseup', 'click'] as const
  const look = (event: Event) => {
    const { aimed } = window as Watched
    const isIt = (event.target as Element).closest(at) !== null
    if (event.type === 'pointerdown') Object.assign(aimed!, { hit: isIt, missed: !isIt })
    if (event.type === 'click' && isIt) aimed!.hit = true
    if (!aimed!.missed) return
    event.stopImmediatePropagation()
    event.preventDefault()
  }
  for (const name of events) window.addEventListener(name, look, true)
  const stop = () => {
    for (const name of events) window.removeEventListener(name, look, true)
  }
  Object.assign(window, { aimed: { at, hit: false, missed: false, stop } })
}

/** @returns whether it hit; a page that is another one now was hit */
const wasHit = () => {
  const { aimed } = window as Watched
  aimed?.stop()
  return aimed ? aimed.hit : true
}

/**
 * A click goes to what a person sees and when it can be pressed: not to what lies over it for another moment,
 * and where the page moves while the pointer comes down, it is aimed again.
 */
export function clickWhatIsSeen(page: Page): void {
  const click = page.click.bind(page)
  page.click = async (selector, options) => {
    for (let attempt = 0; attempt < 4; attempt++) {
      await untilSeen(page, selector)
      await untilReady(page, selector)
      await page.evaluate(aim, selector)
      await click(selector, options)
      if (await page.evaluate(wasHit).catch(() => true)) return
    }
    await click(selector, options)
  }
}
