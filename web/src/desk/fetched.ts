import { shallowRef, watch } from 'vue'
import { useDesk } from './desk'

/** An answer about the open session, fetched anew whenever the session changes, or something else on which it depends. */
export function useFetched<Answer>(
  dependsOn: () => unknown[],
  get: (at: { params: { path: { session: string } } }) => Promise<{ data?: Answer }>,
) {
  const desk = useDesk()
  const fetched = shallowRef<Answer | null>(null)
  let asked = 0

  watch(
    () => [desk.session?.id, desk.session?.revision, ...dependsOn()],
    async () => {
      const mine = ++asked
      if (!desk.session) return
      const answer = await get({ params: { path: { session: desk.session.id } } }).catch(() => null)
      if (mine === asked && answer?.data) fetched.value = answer.data
    },
    { immediate: true },
  )
  return fetched
}
