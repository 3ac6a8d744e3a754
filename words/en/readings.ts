/** What was read of a ball beside its carry. */
export const READINGS = {
  onLine: 'on the line',
  left: '{off} left',
  right: '{off} right',
  spin: 'spin {figure} rpm',
  launch: 'launch {figure}°',
  ballSpeed: 'ball {figure}',
  clubSpeed: 'club {figure}',
  descent: 'descent {figure}°',
  apex: 'apex {figure}',
  total: 'total {figure}',
  computed: 'carry worked out by the device, in still air',
  above: '{height} above',
  below: '{height} below',
} as const

/** How a distance was taken. */
export const TAKEN = {
  asked: 'asked for {swing}',
  pile: 'a pile of {balls} balls',
  mishits: '{n, plural, one {# mishit} other {# mishits}} not in it',
  laser: 'lasered {distance}',
  steps: '{steps} steps of {pace}',
  extent: 'from {front} to {back}',
  width: '{width} wide',
  sign: '{off} {way, select, short {short of} other {past}} "{name}" at {distance}',
  error: 'good to ± {error}',
  height: '{height} the tee',
  lies: 'to where it lies on {ground} ground, the run is taken out',
} as const
