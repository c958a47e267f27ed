import { computed, ref } from 'vue'
import type { Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { foldedFolders, keepFolded } from '@/desk/pageState'

/** A run of rows: tracks of one folder, or one track that is in none. */
export interface Run {
  folder: string
  tracks: Track[]
}

/** The tracks that are in sight, those of one folder together where the first of them stands; folders fold. */
export function useFolders() {
  const desk = useDesk()
  const folded = ref(new Set(foldedFolders(desk.session!.id)))

  const runs = computed(() => {
    const all: Run[] = []
    for (const track of desk.tracks.filter((each) => !each.look.hidden)) {
      const { folder } = track.look
      const run = folder ? all.find((each) => each.folder === folder) : undefined
      if (run) run.tracks.push(track)
      else all.push({ folder, tracks: [track] })
    }
    return all
  })

  function fold(folder: string) {
    const next = new Set(folded.value)
    if (!next.delete(folder)) next.add(folder)
    folded.value = next
    keepFolded(desk.session!.id, [...next])
  }

  const rename = (folder: string, name: string) =>
    desk.edit(
      desk.tracks
        .filter((track) => track.look.folder === folder)
        .map((track) => ({ kind: 'set-track-folder', track: track.id, folder: name })),
    )

  return { runs, folded, fold, rename }
}
