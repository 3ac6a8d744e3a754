import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { linesWithin } from '../../app/features/gaps/lanes'

const widthOf = (text: string) => [...text].length

describe('the label of a lane', () => {
  it('stands on one line where it fits, else breaks between words, and within one that is too long', () => {
    expect(linesWithin('58°', 5, widthOf)).toEqual(['58°'])
    expect(linesWithin('lob 60', 6, widthOf)).toEqual(['lob 60'])
    expect(linesWithin('gap wedge (50)', 10, widthOf)).toEqual(['gap wedge', '(50)'])
    expect(linesWithin('sandwedge 56', 5, widthOf)).toEqual(['sandw', 'edge', '56'])
    expect(linesWithin('', 5, widthOf)).toEqual([''])
  })

  it('loses no letter, and no line is wider than its room', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 16 }), fc.integer({ min: 1, max: 20 }), (label, room) => {
        const lines = linesWithin(label, room, widthOf)
        expect(lines.join('').replaceAll(' ', '')).toBe(label.replaceAll(' ', ''))
        for (const line of lines) expect(widthOf(line)).toBeLessThanOrEqual(room)
      }),
    )
  })
})
