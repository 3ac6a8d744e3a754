export default defineAppConfig({
  ui: {
    colors: { primary: 'persimmon', secondary: 'heather', success: 'fescue', warning: 'gorse', error: 'rust', info: 'heather', neutral: 'ink' },
    button: { slots: { base: 'min-h-11 font-semibold' } },
    input: { slots: { base: 'min-h-11' } },
    select: { slots: { base: 'min-h-11' } },
    formField: { slots: { label: 'font-semibold', help: 'min-h-5', error: 'min-h-5' } },
  },
})
