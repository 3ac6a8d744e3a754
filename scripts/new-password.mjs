/** npm run new-password -- --email coach@example.com: for who has lost theirs; all of their sessions end. */
import { randomBytes } from 'node:crypto'
import { argument } from './lib/arguments.mjs'
import { connectTo } from './lib/connect.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { run, say, stop } from './lib/say.mjs'
import { setting } from './lib/settings.mjs'

/** Letters and digits of so many random bytes. */
const BYTES = 12

run(async () => {
  ensurePackages({ withTools: false })
  const [url, email] = [setting('DATABASE_URL'), argument('email')?.trim().toLowerCase()]
  if (!url || !email) stop('DATABASE_URL and --email are needed: npm run new-password -- --email coach@example.com')
  const [{ Hash }, { Scrypt }] = await Promise.all([import('@adonisjs/hash'), import('@adonisjs/hash/drivers/scrypt')])
  const password = randomBytes(BYTES).toString('base64url')
  const hash = await new Hash(new Scrypt({})).make(password)
  const connection = await connectTo(url)
  try {
    const [done] = await connection.query(
      'update coaches set password_hash = ?, sign_in_epoch = sign_in_epoch + 1 where email = ?',
      [hash, email],
    )
    if (done.affectedRows === 0) stop(`No coach signs in with ${email}.`)
    await connection.query(
      'update sign_ins s join coaches c on c.id = s.coach_id set s.ended_at = now(3) ' +
        'where c.email = ? and s.ended_at is null',
      [email],
    )
    await connection.query('delete f from second_factors f join coaches c on c.id = f.coach_id where c.email = ?', [
      email,
    ])
  } finally {
    await connection.end()
  }
  say(`The new password of ${email} is ${password}\nAll their sessions have ended. They change it in their account.`)
})
