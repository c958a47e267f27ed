/** From where to where the scale of a picture of frequencies goes. */
export const HEARD_HZ: [number, number] = [20, 20_000]
