import type { Schemas } from '@/shared/api/client';

type Built = Pick<Schemas['PumpDto'], 'headLayout' | 'arrangement'>;

/** Heads by name, as the plate and the facts of a pump say them. */
export const headNames: Record<string, string> = {
  'six-caps': 'a cap for every valve',
  'stacked-bore': 'valves stacked in one bore',
  'inlet-cover': 'discharge caps, inlet valves behind a bolted cover',
  'inlet-screwed': 'discharge caps, inlet valves screwed in from behind',
  'two-piece': 'two plates, the valves between them',
  'valve-plate': 'heavy plate over valve stacks',
  'split-manifold': 'split manifolds with V-packing',
};

/** Sides whose valves stand under caps. */
export function capSides({ headLayout = 'six-caps', arrangement }: Built): ('inlet' | 'discharge')[] {
  if ((arrangement ?? 'crank-plunger') !== 'crank-plunger') return [];
  if (headLayout === 'six-caps') return ['discharge', 'inlet'];
  return ['stacked-bore', 'inlet-cover', 'inlet-screwed'].includes(headLayout ?? '') ? ['discharge'] : [];
}

/** True where the two valves of a cylinder stand apart, so that one can be told from the other from outside. */
export const tellsSides = ({ headLayout, arrangement }: Built) =>
  arrangement !== 'intensifier' && !['stacked-bore', 'valve-plate', 'split-manifold'].includes(headLayout ?? '');
