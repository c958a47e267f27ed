import { ref } from 'vue'

/** Whether who plays is shown; it can be opened from wherever performers are spoken of. */
export const performersShown = ref(false)
