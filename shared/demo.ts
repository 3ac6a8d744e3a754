/** Address of the made-up coach that the demo enters as. The domain is reserved for examples (RFC 2606). */
export const DEMO_EMAIL = 'coach@saltmarsh.example'
