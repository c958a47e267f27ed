import { beforeEach, expect, test, vi } from 'vitest'

vi.stubGlobal('localStorage', { getItem: () => 'somebody', setItem: () => {} })
vi.stubGlobal('addEventListener', () => {})
const { useSending } = await import('./sending')

/** A request of the browser that ends as it is told. */
class Request {
  static last: Request
  upload: { onprogress?: (event: { loaded: number; total: number }) => void } = {}
  status = 0
  responseText = ''
  opened: string[] = []
  onload = () => {}
  onerror = () => {}
  onabort = () => {}
  constructor() {
    Request.last = this
  }
  open(...how: string[]) {
    this.opened = how
  }
  setRequestHeader() {}
  send() {}
  abort() {
    this.onabort()
  }
  answer(status: number, text: string) {
    this.status = status
    this.responseText = text
    this.onload()
  }
}

beforeEach(() => vi.stubGlobal('XMLHttpRequest', Request))

const file = (name: string) => ({ name }) as File

test('what has arrived is told, and what the program answers comes back', async () => {
  const { going, send } = useSending()
  const answer = send<{ id: string }>('/somewhere', 'application/zip', file('Whole.zip'))
  expect(Request.last.opened).toEqual(['POST', '/somewhere'])
  expect(going.value).toEqual({ name: 'Whole.zip', share: 0 })
  Request.last.upload.onprogress!({ loaded: 30, total: 120 })
  expect(going.value).toEqual({ name: 'Whole.zip', share: 0.25 })
  Request.last.answer(201, '{"id": "tide"}')
  expect(await answer).toEqual({ id: 'tide' })
  expect(going.value).toBeNull()
})

test('one that is cancelled answers nothing, and another one may go', async () => {
  const { going, send, cancel } = useSending()
  const answer = send('/somewhere', 'application/zip', file('Whole.zip'))
  expect(() => send('/somewhere', 'application/zip', file('Other.zip'))).toThrow('Another file is on its way')
  cancel()
  expect(await answer).toBeUndefined()
  expect(going.value).toBeNull()
  const next = send('/somewhere', 'application/zip', file('Other.zip'))
  Request.last.answer(200, '{}')
  expect(await next).toEqual({})
})

test('what is refused, and what does not arrive, is a sentence', async () => {
  const { send } = useSending()
  const refused = send('/somewhere', 'application/zip', file('Odd.zip'))
  Request.last.answer(422, '{"detail": "It holds no session."}')
  await expect(refused).rejects.toThrow('It holds no session.')
  const odd = send('/somewhere', 'application/zip', file('Odd.zip'))
  Request.last.answer(502, '<html>')
  await expect(odd).rejects.toThrow('The program answered 502.')
  const lost = send('/somewhere', 'application/zip', file('Odd.zip'))
  Request.last.onerror()
  await expect(lost).rejects.toThrow('"Odd.zip" did not arrive; nothing of it was kept. Try again.')
})
