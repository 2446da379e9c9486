import { definePreset } from '@primeuix/themes'
import Base from '@primeuix/themes/nora'

/** PrimeVue's components in paper and ink: square-cornered and quiet. */
export const DraftingTable = definePreset(Base, {
  primitive: { borderRadius: { none: '0', xs: '0', sm: '0', md: '0', lg: '0', xl: '0' } },
  semantic: {
    transitionDuration: '0.1s',
    focusRing: { width: '2.5px', style: 'solid', color: 'var(--action)', offset: '2px' },
    primary: {
      color: 'var(--action)',
      contrastColor: 'var(--on-action)',
      hoverColor: 'var(--action)',
      activeColor: 'var(--action)',
    },
    formField: { paddingX: '10px', paddingY: '7px', borderRadius: '0' },
    colorScheme: {
      light: {
        primary: {
          color: 'var(--action)',
          contrastColor: 'var(--on-action)',
          hoverColor: 'var(--action)',
          activeColor: 'var(--action)',
        },
        text: {
          color: 'var(--ink)',
          mutedColor: 'var(--faint)',
          hoverColor: 'var(--ink)',
          hoverMutedColor: 'var(--ink)',
        },
        content: {
          background: 'var(--sheet)',
          borderColor: 'var(--ink)',
          color: 'var(--ink)',
          hoverBackground: 'var(--paper)',
          hoverColor: 'var(--ink)',
        },
        formField: {
          background: 'var(--sheet)',
          borderColor: 'var(--ink)',
          color: 'var(--ink)',
          hoverBorderColor: 'var(--ink)',
          focusBorderColor: 'var(--action)',
          placeholderColor: 'var(--faint)',
          iconColor: 'var(--faint)',
          shadow: 'none',
        },
        overlay: {
          modal: { background: 'var(--sheet)', borderColor: 'var(--ink)', color: 'var(--ink)' },
          select: { background: 'var(--sheet)', borderColor: 'var(--ink)', color: 'var(--ink)' },
        },
        list: {
          option: {
            focusBackground: 'var(--paper)',
            focusColor: 'var(--ink)',
            color: 'var(--ink)',
            selectedBackground: 'var(--ink)',
            selectedFocusBackground: 'var(--ink)',
            selectedColor: 'var(--sheet)',
            selectedFocusColor: 'var(--sheet)',
          },
        },
        mask: { background: 'rgba(20, 25, 28, 0.45)', color: 'var(--ink)' },
      },
    },
  },
})
