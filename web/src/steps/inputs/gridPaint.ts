/** Where things stand in the grid, in pixels: labels of tracks at the left, of ports above. */
export const CELL = 26
export const LEFT = 190
export const TOP = 118

/** What is drawn: names, which cells are fed, where the cursor and a stroke are. */
export interface GridPicture {
  tracks: { name: string; width: number }[]
  ports: string[]
  /** The columns that feed each track, by row. */
  fed: number[][]
  cursor: { row: number; column: number }
  stroke: { row: number; column: number }[]
  scroll: { x: number; y: number }
}

const token = (style: CSSStyleDeclaration, name: string) => style.getPropertyValue(`--${name}`)

/** Draws the visible part of the grid; names stay in view and light up at the crossing. */
export function paint(canvas: HTMLCanvasElement, picture: GridPicture) {
  const ratio = devicePixelRatio
  const { clientWidth: width, clientHeight: height } = canvas
  if (canvas.width !== width * ratio || canvas.height !== height * ratio) {
    canvas.width = width * ratio
    canvas.height = height * ratio
  }
  const pen = canvas.getContext('2d')!
  const style = getComputedStyle(canvas)
  pen.setTransform(ratio, 0, 0, ratio, 0, 0)
  pen.clearRect(0, 0, width, height)
  pen.font = `12.5px ${style.fontFamily}`
  pen.textBaseline = 'middle'
  const { x, y } = picture.scroll
  const first = { row: Math.floor(y / CELL), column: Math.floor(x / CELL) }
  const last = {
    row: Math.min(picture.tracks.length - 1, Math.floor((y + height - TOP) / CELL)),
    column: Math.min(picture.ports.length - 1, Math.floor((x + width - LEFT) / CELL)),
  }
  const left = (column: number) => LEFT + column * CELL - x
  const top = (row: number) => TOP + row * CELL - y
  const stroked = new Set(picture.stroke.map(({ row, column }) => `${row}/${column}`))

  pen.save()
  pen.beginPath()
  pen.rect(LEFT, TOP, width, height)
  pen.clip()
  pen.fillStyle = token(style, 'glow-weak')
  pen.fillRect(LEFT, top(picture.cursor.row), left(picture.ports.length) - LEFT, CELL)
  pen.fillRect(left(picture.cursor.column), TOP, CELL, top(picture.tracks.length) - TOP)
  for (let row = first.row; row <= last.row; row++) {
    for (let column = first.column; column <= last.column; column++) {
      pen.strokeStyle = token(style, column % 8 === 7 ? 'rule-strong' : 'rule')
      pen.strokeRect(left(column) + 0.5, top(row) + 0.5, CELL, CELL)
      const on = picture.fed[row]!.includes(column)
      const drawn = stroked.has(`${row}/${column}`)
      if (!on && !drawn) continue
      pen.fillStyle = token(style, drawn ? 'glow' : 'sea')
      pen.beginPath()
      pen.arc(left(column) + CELL / 2, top(row) + CELL / 2, 7, 0, 2 * Math.PI)
      pen.fill()
    }
  }
  pen.strokeStyle = token(style, 'sea')
  pen.lineWidth = 2
  pen.strokeRect(left(picture.cursor.column) + 1, top(picture.cursor.row) + 1, CELL - 1, CELL - 1)
  pen.restore()

  pen.save()
  pen.beginPath()
  pen.rect(0, TOP, LEFT, height)
  pen.clip()
  for (let row = first.row; row <= last.row; row++) {
    const track = picture.tracks[row]!
    pen.fillStyle = token(style, row === picture.cursor.row ? 'lantern' : 'ink')
    const wide = track.width > 1 ? ` (${track.width === 2 ? 'stereo' : `${track.width} wide`})` : ''
    pen.fillText(track.name + wide, 8, top(row) + CELL / 2, LEFT - 14)
  }
  pen.restore()

  pen.save()
  pen.beginPath()
  pen.rect(LEFT, 0, width, TOP)
  pen.clip()
  for (let column = first.column; column <= last.column; column++) {
    pen.save()
    pen.fillStyle = token(style, column === picture.cursor.column ? 'lantern' : 'ink')
    pen.translate(left(column) + CELL / 2, TOP - 6)
    pen.rotate(-Math.PI / 2)
    pen.fillText(picture.ports[column]!, 0, 0, TOP - 12)
    pen.restore()
  }
  pen.restore()
}
