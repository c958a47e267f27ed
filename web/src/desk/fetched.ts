import { shallowRef, watch } from 'vue'
import { useDesk } from './desk'
import { paced } from './paced'

/**
 * An answer about the open session, fetched anew whenever the session changes, or something else on which it depends. While
 * that goes on it follows a few times a second.
 */
export function useFetched<Answer>(
  dependsOn: () => unknown[],
  get: (at: { params: { path: { session: string } } }) => Promise<{ data?: Answer }>,
) {
  const desk = useDesk()
  const fetched = shallowRef<Answer | null>(null)

  const fetch = paced(async () => {
    const session = desk.session?.id
    if (!session) return
    const answer = await get({ params: { path: { session } } })
    if (answer.data && desk.session?.id === session) fetched.value = answer.data
  })
  watch(() => [desk.session?.id, desk.session?.revision, ...dependsOn()], fetch, { immediate: true })
  return fetched
}
