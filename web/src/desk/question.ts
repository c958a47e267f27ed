import { ref } from 'vue'

type Choice = 'yes' | 'instead' | 'no'

/** Something that is asked before it is done. */
export interface Question {
  title: string
  sentence: string
  /** What the button says that does it. */
  yes: string
  /** What the button says that does something else instead. */
  instead?: string
  answer: (choice: Choice) => void
}

export const question = ref<Question | null>(null)

/** Asks, and gives what was chosen. */
export function choose(asked: Omit<Question, 'answer'>): Promise<Choice> {
  question.value?.answer('no')
  return new Promise((answered) => {
    question.value = {
      ...asked,
      answer: (choice) => {
        question.value = null
        answered(choice)
      },
    }
  })
}

/** Asks, and gives whether it shall be done. */
export async function ask(asked: Omit<Question, 'answer' | 'instead'>): Promise<boolean> {
  return (await choose(asked)) === 'yes'
}
