export default defineAppConfig({
  ui: {
    colors: {
      primary: 'persimmon',
      secondary: 'heather',
      success: 'fescue',
      warning: 'gorse',
      error: 'rust',
      info: 'heather',
      neutral: 'ink',
    },
    button: { slots: { base: 'min-h-11 font-semibold' }, defaultVariants: { size: 'lg' } },
    input: { slots: { base: 'min-h-11 bg-(--raised)' }, defaultVariants: { size: 'lg' } },
    select: { slots: { base: 'min-h-11 bg-(--raised)' }, defaultVariants: { size: 'lg' } },
    modal: { slots: { header: 'h-auto min-h-16 shrink-0 py-3' } },
    // What was just done is told above the bar of stages, and lets taps through: only its own buttons take them.
    toaster: {
      slots: { viewport: 'max-md:bottom-[calc(4.75rem+env(safe-area-inset-bottom))]', base: 'pointer-events-none' },
    },
    toast: { slots: { actions: 'pointer-events-auto', close: 'pointer-events-auto' } },
    // The line under a field is always there, so that an error moves nothing.
    formField: {
      slots: {
        label: 'font-semibold',
        help: 'mt-1 min-h-5 text-sm leading-5',
        error: 'mt-1 min-h-5 text-sm leading-5',
      },
    },
  },
})
