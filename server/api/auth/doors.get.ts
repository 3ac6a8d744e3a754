/** Which doors the sign-in page shows. */
export default defineEventHandler(() => ({
  demo: process.env.UZZET_DEMO === '1',
  signUp: process.env.UZZET_SIGN_UP !== 'closed',
}))
