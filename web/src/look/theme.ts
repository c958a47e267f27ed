import { darkTheme, lightTheme, type GlobalThemeOverrides } from 'naive-ui'
import { computed, ref, watchEffect } from 'vue'

export type Theme = 'day' | 'night'

const KEPT = 'lantern-theme'

function first(): Theme {
  const kept = localStorage.getItem(KEPT)
  if (kept === 'day' || kept === 'night') return kept
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'day'
}

/** The theme that is shown; the first choice is the system's. */
export const theme = ref<Theme>(first())

watchEffect(() => {
  document.documentElement.dataset.theme = theme.value
})

export function switchTheme() {
  theme.value = theme.value === 'day' ? 'night' : 'day'
  localStorage.setItem(KEPT, theme.value)
}

function token(name: string) {
  return getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()
}

/** The controls of the library, dressed in our tokens. */
export const controls = computed(() => {
  document.documentElement.dataset.theme = theme.value
  const overrides: GlobalThemeOverrides = {
    common: {
      fontFamily: token('text'),
      fontSize: '13.5px',
      fontWeightStrong: '600',
      primaryColor: token('sea'),
      primaryColorHover: token('sea'),
      primaryColorPressed: token('sea'),
      primaryColorSuppl: token('sea'),
      errorColor: token('flare'),
      errorColorHover: token('flare'),
      errorColorPressed: token('flare'),
      textColorBase: token('ink'),
      textColor1: token('ink'),
      textColor2: token('ink'),
      textColor3: token('soft'),
      placeholderColor: token('soft'),
      bodyColor: token('ground'),
      cardColor: token('sheet'),
      modalColor: token('sheet'),
      popoverColor: token('sheet'),
      inputColor: token('sheet'),
      borderColor: token('rule-strong'),
      dividerColor: token('rule'),
      hoverColor: token('sea-weak'),
      borderRadius: '6px',
      heightSmall: '28px',
      heightMedium: '32px',
    },
    Select: {
      peers: {
        InternalSelection: {
          border: `1px solid ${token('rule-strong')}`,
          borderHover: `1px solid ${token('sea')}`,
          borderActive: `1px solid ${token('sea')}`,
          borderFocus: `1px solid ${token('sea')}`,
          color: token('sheet'),
          colorActive: token('sheet'),
        },
      },
    },
    Button: {
      fontWeight: '600',
      textColor: token('sea'),
      color: token('sheet'),
      border: `1px solid ${token('rule-strong')}`,
    },
  }
  return { base: theme.value === 'night' ? darkTheme : lightTheme, overrides }
})
