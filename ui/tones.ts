/** The colours of the drawings, by their names in global.css, so that light and dark are one set. */
export const tone = (name: string, alpha = 1) =>
  alpha === 1 ? `rgb(var(--${name}))` : `rgb(var(--${name}) / ${alpha})`;
