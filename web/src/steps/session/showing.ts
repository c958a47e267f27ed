import type { Router } from 'vue-router'
import { tell } from '@/desk/notice'
import { reveal } from '@/parts/useWindow'

const TRIES = 60

/** Goes to a step and there to a row, which says so by `data-row`; long lists may take some frames until they have it. */
export async function goToRow(router: Router, path: string, row: string) {
  await router.push(path)
  for (let tried = 0; tried < TRIES; tried++) {
    reveal(row)
    const there = document.querySelector<HTMLElement>(`[data-row="${CSS.escape(row)}"]`)
    if (there) {
      there.scrollIntoView({ block: 'center' })
      there.classList.add('shown-now')
      setTimeout(() => there.classList.remove('shown-now'), 2500)
      there.querySelector<HTMLElement>('button, [tabindex="0"], [role="gridcell"]')?.focus()
      return
    }
    await new Promise((next) => setTimeout(next, 50))
  }
  tell('It is on this page, but out of sight: hidden, or in a folder that is folded.')
}
