import { createError } from 'h3'
import { transaction, useDatabase, usePool } from '../utils/database'
import { isDuplicate } from '../utils/database-errors'
import { notFound, refuse, stale } from '../utils/refuse'
import { setting } from '../utils/settings'

/** What the server's rooms find without importing it, for a thread that is no part of the server. */
Object.assign(globalThis, { createError, transaction, useDatabase, usePool, isDuplicate, notFound, refuse, stale, setting })
