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
    select: {
      slots: { base: 'min-h-11 bg-(--raised)', content: 'rounded-md border border-(--ink) shadow-none ring-0' },
      defaultVariants: { size: 'lg' },
    },
    // Ink on paper: a sheet has an edge and throws no shadow.
    modal: {
      slots: {
        overlay: 'bg-[#1e2a3a73] dark:bg-[#0a0f16b3]',
        header: 'h-auto min-h-16 shrink-0 py-3',
        content: 'rounded-md border border-(--ink) shadow-none ring-0',
      },
    },
    slideover: { slots: { content: 'border-(--ink) shadow-none ring-0' } },
    popover: { slots: { content: 'rounded-md border border-(--ink) bg-default shadow-none ring-0' } },
    dropdownMenu: { slots: { content: 'rounded-md border border-(--ink) shadow-none ring-0' } },
    slider: {
      slots: {
        track: 'h-1 bg-(--hairline)',
        range: 'bg-(--ink)',
        thumb: 'size-7 rounded-sm border-2 border-(--ink) bg-(--raised) ring-0',
      },
    },
    switch: { slots: { base: 'data-[state=checked]:bg-(--ink)' } },
    // What was just done is told above the bar of stages, and lets taps through: only its own buttons take them.
    toaster: {
      slots: { viewport: 'max-md:bottom-[calc(4.75rem+env(safe-area-inset-bottom))]', base: 'pointer-events-none' },
    },
    toast: {
      slots: {
        root: 'rounded-md border border-l-[6px] border-(--ink) bg-(--raised) shadow-none ring-0',
        title: 'text-base font-semibold',
        progress: 'hidden',
        actions: 'pointer-events-auto',
        close: 'pointer-events-auto',
      },
    },
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
