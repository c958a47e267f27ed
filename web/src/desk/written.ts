/** A number as people write it, with a comma and a real minus too; what is none is refused by the program with a sentence. */
export const decimal = (text: string) => Number(text.replace(',', '.').replace('−', '-'))

/** How a number of bytes is written. */
export function size(bytes: number) {
  return bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`
}

/** How a day is written. */
export function day(time: string) {
  return new Date(time).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
}

/** How a moment is written: its day and its time. */
export function moment(time: string, { seconds = false } = {}) {
  const second = seconds ? ('2-digit' as const) : undefined
  return `${day(time)}, ${new Date(time).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', second })}`
}

/** How the time of day is written, to the second. */
export function timeOfDay(time: number) {
  return new Date(time).toLocaleTimeString('en-GB')
}

/** How so many minutes are written. */
export function lasting(minutes: number) {
  const whole = Math.max(1, Math.round(minutes))
  const hours = Math.floor(whole / 60)
  return [hours && `${hours} h`, whole % 60 && `${whole % 60} min`].filter(Boolean).join(' ')
}
