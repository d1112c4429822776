/**
 * A text area as high as its words, up to so many rows: by the browser itself where it can, because to measure the
 * field costs a layout at every key.
 */
export function growing(maxRows: number) {
  return CSS.supports('field-sizing', 'content')
    ? { rows: 1, styles: { input: { fieldSizing: 'content' as const, maxHeight: `calc(${maxRows}lh + 20px)` } } }
    : { autosize: true, minRows: 1, maxRows };
}
