import { describe, expect, it } from 'vitest';
import { aLedger } from '@/shared/testing/fixtures';
import { ledgerParts } from './ledgerParts';

describe('the slices of the ledger', () => {
  it('make up the whole of what is displaced', () => {
    const sum = ledgerParts(aLedger()).reduce((all, p) => all + p.share, 0);
    expect(sum).toBeCloseTo(1, 9);
  });

  it('name what is missing only where it is more than the uncertainty', () => {
    expect(ledgerParts(aLedger()).at(-1)).toMatchObject({ kind: 'missing', notable: true });
    expect(ledgerParts(aLedger({ missingShares: 0.1 })).at(-1)?.notable).toBe(false);
  });

  it('are never less than nothing, even where more was read than the pump displaces', () => {
    const flow = { value: 99, unit: 'L/min' };
    const parts = ledgerParts(aLedger({ nozzle: { flow, sigma: flow, source: 'measured' } }));
    expect(parts.every((p) => p.share >= 0 && p.share <= 1)).toBe(true);
  });
});
