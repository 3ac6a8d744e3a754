export default defineAppConfig({
  ui: {
    colors: { primary: 'persimmon', secondary: 'heather', success: 'fescue', warning: 'gorse', error: 'rust', info: 'heather', neutral: 'ink' },
    button: { slots: { base: 'min-h-11 font-semibold' }, defaultVariants: { size: 'lg' } },
    input: { slots: { base: 'min-h-11 bg-(--raised)' }, defaultVariants: { size: 'lg' } },
    select: { slots: { base: 'min-h-11 bg-(--raised)' }, defaultVariants: { size: 'lg' } },
    modal: { slots: { header: 'h-auto min-h-16 shrink-0 py-3' } },
    // The line under a field is always there, so that an error moves nothing.
    formField: { slots: { label: 'font-semibold', help: 'mt-1 min-h-5 text-sm leading-5', error: 'mt-1 min-h-5 text-sm leading-5' } },
  },
})
