/** Colours are CSS variables set in ui/global.css, so that light and dark are one set of names. */
const ink = (name) => `rgb(var(--${name}) / <alpha-value>)`;

module.exports = {
  content: ['./app/**/*.tsx', './features/**/*.tsx', './ui/**/*.tsx'],
  presets: [require('nativewind/preset')],
  darkMode: 'class',
  theme: {
    extend: {
      colors: {
        paper: ink('paper'),
        sheet: ink('sheet'),
        well: ink('well'),
        ink: ink('ink'),
        faint: ink('faint'),
        line: ink('line'),
        thread: ink('thread'),
        'thread-ink': ink('thread-ink'),
        moss: ink('moss'),
        ochre: ink('ochre'),
        rust: ink('rust'),
        wash: ink('wash'),
        tape: ink('tape'),
      },
      fontFamily: {
        text: ['OjasText'],
        title: ['OjasTitle'],
      },
    },
  },
  plugins: [],
};
