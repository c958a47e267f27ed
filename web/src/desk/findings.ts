import { computed, shallowRef, watch } from 'vue'
import { api, type Found } from '@/api/client'
import { gathered } from './parts'

/** What would go wrong if recording began now, asked for a while after the last change of what it depends on. */
export function asking(session: () => string | undefined, dependsOn: () => unknown[]) {
  const answered = shallowRef<{ session: string; found: Found[] } | null>(null)
  /** Whether it is known of this session; nobody is told that all is well before. */
  const judged = computed(() => answered.value !== null && answered.value.session === session())
  const findings = computed(() => (judged.value ? answered.value!.found : []))
  let waiting = 0

  function look() {
    clearTimeout(waiting)
    waiting = window.setTimeout(async () => {
      const id = session()
      if (!id) return
      const asked = { params: { path: { session: id } } }
      const answer = await api.GET('/api/sessions/{session}/readiness', asked).catch(() => null)
      if (answer?.data) answered.value = { session: id, found: answer.data }
    }, 250)
  }
  watch(() => [session(), ...dependsOn()], look)

  /** What nobody has taken note of, by the part it is said at, in the words for that part. */
  const troubles = computed(() =>
    gathered(
      findings.value
        .filter((each) => !each.acknowledged)
        .flatMap((each) => each.at.map((at): [string, Found] => [at.part, { ...each, sentence: at.words }])),
    ),
  )

  return { judged, findings, troubles, look }
}
