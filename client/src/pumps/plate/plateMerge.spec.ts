import { describe, expect, it } from 'vitest';
import { emptyPlate } from './plate';
import { merge } from './plateMerge';

describe('a draft of a pump that somebody corrected meanwhile', () => {
  const basis = { ...emptyPlate(), tag: 'FOG-2', duty: 'fog' };
  const mm = (text: string) => ({ text, unit: 'mm' });

  it('keeps what only one of the two changed', () => {
    const { plate, conflicts } = merge(basis, { ...basis, duty: 'mist' }, { ...basis, stroke: mm('20') });
    expect(plate.duty).toBe('mist');
    expect(plate.stroke).toEqual(mm('20'));
    expect(conflicts).toEqual([]);
  });

  it('says where both changed the same, and leaves mine', () => {
    const { plate, conflicts } = merge(basis, { ...basis, stroke: mm('18') }, { ...basis, stroke: mm('20') });
    expect(plate.stroke).toEqual(mm('18'));
    expect(conflicts).toEqual([{ field: 'stroke', name: 'stroke', mine: '18 mm', theirs: '20 mm' }]);
  });

  it('is quiet where both came to the same', () =>
    expect(merge(basis, { ...basis, duty: 'mist' }, { ...basis, duty: 'mist' }).conflicts).toEqual([]));
});
