import type { Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';

/** A slice of the ledger's bar. */
export interface LedgerPart {
  /** Id of the figure that explains it; none for what was only seen dripping. */
  figure?: string;
  kind: 'nozzle' | 'bypass' | 'missing';
  name: string;
  amount: string;
  /** Share of what is displaced, 0 to 1. */
  share: number;
  notable: boolean;
}

const worthASlice = 0.005;

/** The slices of the bar in their order: nozzle, bypass, what drips, and the rest, which is missing. */
export function ledgerParts(ledger: Schemas['LedgerDto']): LedgerPart[] {
  const total = ledger.displaced.flow?.value ?? 1;
  const flow = (term: Schemas['LedgerTermDto']) => Math.max(0, term.flow?.value ?? 0);
  const share = (term: Schemas['LedgerTermDto']) => Math.min(1, flow(term) / total);
  const slice = (
    term: Schemas['LedgerTermDto'],
    part: Omit<LedgerPart, 'amount' | 'share' | 'notable'>,
  ): LedgerPart => ({
    ...part,
    amount: digits(flow(term)),
    share: share(term),
    notable: false,
  });
  const parts = [
    slice(ledger.nozzle, { kind: 'nozzle', name: 'nozzle', figure: 'nozzle' }),
    slice(ledger.bypass, { kind: 'bypass', name: 'bypass', figure: 'bypass' }),
    slice(ledger.outside, { kind: 'bypass', name: 'dripping' }),
  ].filter((p) => p.name === 'nozzle' || p.share > worthASlice);
  const taken = parts.reduce((sum, p) => sum + p.share, 0);
  return [
    ...parts,
    {
      kind: 'missing',
      name: ledger.missingMayBeInBypass ? 'missing or in the bypass' : 'missing',
      amount: digits(flow(ledger.missing)),
      share: Math.max(0, 1 - taken),
      figure: 'missing-shares',
      notable: (ledger.missingShares ?? 0) > 2 * ledger.missingSharesSigma,
    },
  ];
}
