import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, type Rig, type RigEdit, type UndoState } from '@/api/client'
import { trying } from './notice'

/** The rig of the session on the page, as the server holds it, and everything that is done to it. */
export const useRig = defineStore('rig', () => {
  const rig = shallowRef<Rig | null>(null)
  const undoState = ref<UndoState>({ undo: '', redo: '' })
  let id = ''

  const at = computed(() => ({ params: { path: { rig: rig.value!.id } } }))

  async function open(rigId: string) {
    id = rigId
    if (rig.value?.id !== rigId) rig.value = null
    const params = { path: { rig: rigId } }
    const [got, undo] = await Promise.all([
      api.GET('/api/rigs/{rig}', { params }).catch(() => null),
      api.GET('/api/rigs/{rig}/undo', { params }).catch(() => null),
    ])
    if (id !== rigId) return
    if (got?.data) rig.value = got.data
    if (undo?.data) undoState.value = undo.data
  }

  /** Makes edits, all or none; a refusal is told beside what was touched. */
  async function edit(edits: RigEdit[]): Promise<boolean> {
    if (edits.length === 0) return true
    const made = await trying(() => api.POST('/api/rigs/{rig}/edits', { ...at.value, body: { edits, basedOn: null } }))
    if (made) await open(id)
    return made
  }

  async function undo() {
    if (await trying(() => api.POST('/api/rigs/{rig}/undo', at.value))) await open(id)
  }

  async function redo() {
    if (await trying(() => api.POST('/api/rigs/{rig}/redo', at.value))) await open(id)
  }

  /** A port by its house label. */
  const labels = computed(() => new Map((rig.value?.ports ?? []).map((port) => [port.id, port.houseLabel])))
  const label = (port: string) => labels.value.get(port) ?? port

  return { rig, label, undoState, open, edit, undo, redo, at }
})
