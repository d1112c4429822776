import { type CSSVariablesResolver, createTheme, type MantineColorsTuple } from '@mantine/core';
import i18next from 'i18next';

/** Ten steps from the wash to the deepest ink of one hue, as the component library wants them. */
const indigo: MantineColorsTuple = [
  '#e4e9f2',
  '#ccd5e6',
  '#a9b8d3',
  '#8298bf',
  '#6079a9',
  '#445f92',
  '#33507f',
  '#24406e',
  '#1d345a',
  '#162745',
];
const kaki: MantineColorsTuple = [
  '#f8e6da',
  '#f0cdb8',
  '#e5ab8b',
  '#d9885d',
  '#cd6a37',
  '#c2551f',
  '#b8481a',
  '#b03f12',
  '#8e320e',
  '#6b260b',
];
const moss: MantineColorsTuple = [
  '#e6ecd9',
  '#d0dbbb',
  '#b3c594',
  '#95ae6d',
  '#7b964f',
  '#67823e',
  '#587634',
  '#4c6b2f',
  '#3d5626',
  '#2d401c',
];

export const theme = createTheme({
  fontFamily: '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif',
  fontFamilyMonospace: '"Atkinson Hyperlegible Mono Variable", monospace',
  headings: { fontFamily: '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif' },
  colors: { indigo, kaki, moss },
  primaryColor: 'indigo',
  primaryShade: 7,
  defaultRadius: 6,
  white: '#fffdf8',
  black: '#1d2b45',
  cursorType: 'pointer',
  respectReducedMotion: true,
  components: {
    InputWrapper: { defaultProps: { withAsterisk: false } },
    // Lists of options are made when they open: a step has a dozen of them, closed most of the time.
    Combobox: { defaultProps: { keepMounted: false } },
    Modal: {
      defaultProps: {
        centered: true,
        closeButtonProps: { 'aria-label': i18next.t('app.close') },
        overlayProps: { backgroundOpacity: 0.35, color: '#1d2b45' },
      },
    },
    Button: { defaultProps: { size: 'sm' } },
  },
});

/** Quiet texts still have to be read across a bench: all of these reach WCAG AA on paper and on linen. */
export const readableColours: CSSVariablesResolver = () => ({
  variables: {},
  light: {
    '--mantine-color-dimmed': 'var(--ink-2)',
    '--mantine-color-placeholder': 'var(--ink-3)',
    '--mantine-color-error': 'var(--kaki)',
  },
  dark: {},
});
