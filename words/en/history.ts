import type { ChangeOfRecord } from '../../core/history/record-change'

/** What was changed of a player, with who did it before it. */
export const HISTORY: Record<ChangeOfRecord, string> = {
  'added': '{who} added the player',
  'brought-in': '{who} brought the player in from a file',
  'player': '{who} changed the player’s details, thresholds or marks',
  'consent': '{who} noted whether a parent or guardian agrees',
  'bag': '{who} changed the bag',
  'balls': '{who} logged or changed {n, plural, one {# ball} other {# balls}}',
  'session': '{who} began, changed or ended a session',
  'session-moved': '{who} gave a session to another player',
  'file': '{who} imported a file, or took one back',
  'practice': '{who} logged practice',
  'homework': '{who} set or changed homework',
  'round': '{who} logged or changed a round',
  'answer': '{who} answered {n, plural, one {a flag} other {# flags}}',
  'remark': '{who} marked {n, plural, one {a stock shot} other {stock shots}}, or wrote a number',
  'what-if': '{who} kept or changed a what-if',
  'published': '{who} published the chart',
  'link': '{who} made a link for the player',
  'link-ended': '{who} ended a link',
  'told-taken': '{who} went through what the player logged',
  'by-device': 'A device sent {n, plural, one {# ball} other {# balls}}',
  'by-player': 'The player logged {n, plural, one {something} other {# things}} through the link',
}
