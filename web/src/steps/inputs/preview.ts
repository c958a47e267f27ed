import { api, type Preview } from '@/api/client'

/** What a list would do. `as` says which column of the list each of the file's is; without it the headings say it. */
export async function preview(session: string, file: File, as: string[] = []): Promise<Preview> {
  const answer = await api.POST('/api/sessions/{session}/input-list/preview', {
    params: { path: { session }, query: { as } },
    body: file as unknown as string,
    bodySerializer: (body) => body,
    headers: { 'Content-Type': 'text/csv' },
  })
  return answer.data!
}
