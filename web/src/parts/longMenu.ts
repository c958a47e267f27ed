import type { DropdownOption } from 'naive-ui'

/** How a menu is drawn: one whose entries open no others scrolls where it is longer than there is room. */
export const longMenu = (_: unknown, options: DropdownOption[]) =>
  options.some(({ children }) => children) ? {} : { style: 'max-height: 56vh; overflow-y: auto' }
