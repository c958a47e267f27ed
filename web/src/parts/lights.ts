import { inject, onBeforeUnmount, onMounted, type InjectionKey, type Ref } from 'vue'

/** Where a light stands within its sheet, in pixels. */
export interface Box {
  x: number
  y: number
  width: number
  height: number
}

/** The colours of lights, and how their numbers are written. */
export interface Ink {
  glow: string
  peak: string
  text: string
  font: string
}

/** Something that shows a live level; it is drawn on the canvas of the sheet in which it stands. */
export interface Light {
  element: () => HTMLElement | undefined
  /** What is to be drawn now, in whole pixels or words: while that stays the same nothing is drawn. */
  look: (box: Box) => string
  draw: (pen: CanvasRenderingContext2D, box: Box, ink: Ink) => void
}

export const LIGHTS: InjectionKey<Set<Light>> = Symbol('lights')

/** Has a light drawn as long as its component is there. */
export function useLight(element: Ref<HTMLElement | undefined>, light: Omit<Light, 'element'>) {
  const lights = inject(LIGHTS)
  const own: Light = { element: () => element.value, ...light }
  onMounted(() => lights?.add(own))
  onBeforeUnmount(() => lights?.delete(own))
}
