import { BLACK, COLOUR, type Inks } from './pen'

export const inksOf = (black: boolean): Inks => (black ? BLACK : COLOUR)
