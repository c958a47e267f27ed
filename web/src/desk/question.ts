import { ref } from 'vue'

/** Something that is asked before it is done. */
export interface Question {
  title: string
  sentence: string
  /** What the button says that does it. */
  yes: string
  answer: (yes: boolean) => void
}

export const question = ref<Question | null>(null)

/** Asks, and gives whether it shall be done. */
export function ask(asked: Omit<Question, 'answer'>): Promise<boolean> {
  question.value?.answer(false)
  return new Promise((answered) => {
    question.value = {
      ...asked,
      answer: (yes) => {
        question.value = null
        answered(yes)
      },
    }
  })
}
