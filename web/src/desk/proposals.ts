import { trying } from './notice'

/** Makes edits that the program proposes: asks for them, then sends them as they came. */
export function proposing<Edit>(edit: (edits: Edit[]) => Promise<boolean>) {
  return async (ask: () => Promise<{ data?: { edits: Edit[] } }>): Promise<boolean> => {
    let edits: Edit[] = []
    const answered = await trying(async () => (edits = (await ask()).data!.edits))
    return answered && edits.length > 0 && edit(edits)
  }
}
