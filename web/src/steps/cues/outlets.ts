import { ref } from 'vue'

/** Whether the outlets are being stepped through. */
export const outletsShown = ref(false)
