/** An id for something new, from its name, free among those that are taken. */
export function freshId(name: string, taken: { id: string }[]): string {
  const plain = name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 32)
  const base = plain || 'unnamed'
  let candidate = base
  for (let number = 2; taken.some((each) => each.id === candidate); number++) candidate = `${base}-${number}`
  return candidate
}
