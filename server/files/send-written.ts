import type { H3Event } from 'h3'

/**
 * JSON that a thread of the pool has written out already, sent as it is. Typed as what stands in it, for whoever asks
 * this route.
 */
export function sendWritten<T>(event: H3Event, json: Uint8Array): T {
  setHeader(event, 'content-type', 'application/json')
  // For the framework bytes are an answer like any other.
  return sameBytes(json) as unknown as T
}

/** As the framework sends them: the same bytes, not copied. */
export function sameBytes(bytes: Uint8Array): Buffer {
  return Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength)
}

/** A player's name as part of a file name: letters and digits of any script, dashes for the rest. */
export function fileName(name: string): string {
  return (
    name
      .normalize('NFC')
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 60)
      .toLowerCase() || 'player'
  )
}

/** Headers of a download. The plain name is for old browsers, the encoded one (RFC 6266) for the rest. */
export function sendAsFile(event: H3Event, name: string, type: string): void {
  const plain = name.replace(/[^\x20-\x7E]/g, '_')
  setHeader(event, 'content-type', type)
  setHeader(
    event,
    'content-disposition',
    `attachment; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(name)}`,
  )
  setHeader(event, 'cache-control', 'no-store')
}
