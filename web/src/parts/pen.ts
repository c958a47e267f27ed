/** What a canvas is drawn on with, cleared, in the page's pixels however sharp the screen is; nothing while it is not there. */
export function freshPen(canvas: HTMLCanvasElement | undefined) {
  const pen = canvas?.getContext('2d')
  if (!pen || !canvas) return null
  const { clientWidth: width, clientHeight: height } = canvas
  const sharp = devicePixelRatio
  if (canvas.width !== Math.round(width * sharp)) canvas.width = Math.round(width * sharp)
  if (canvas.height !== Math.round(height * sharp)) canvas.height = Math.round(height * sharp)
  pen.setTransform(sharp, 0, 0, sharp, 0, 0)
  pen.clearRect(0, 0, width, height)
  return { pen, width, height, style: getComputedStyle(canvas) }
}
