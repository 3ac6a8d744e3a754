import { BLACK, COLOUR, type Inks } from '../print/pen'

export const inksOf = (black: boolean): Inks => black ? BLACK : COLOUR
