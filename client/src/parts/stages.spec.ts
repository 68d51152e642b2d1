import { describe, expect, it } from 'vitest';
import { aCase } from '@/shared/testing/fixtures';
import { stageStates } from './stages';

describe('the stages of a case', () => {
  it('stand where its entries say', () => {
    const fresh = aCase({ readings: [], cues: [], context: [], hours: [] });
    expect(stageStates(fresh)).toEqual({
      ask: 'begun',
      measure: 'nothing',
      suspect: 'nothing',
      open: 'nothing',
      mend: 'nothing',
      prove: 'nothing',
    });
  });

  it('are done once the next has what it needs', () => {
    const tick = { by: 'R', at: '2026-03-02T08:00:00Z', wrench: null, taps: null };
    const signed = { by: 'R', at: '2026-03-02T08:00:00Z' };
    const worked = aCase({
      work: {
        plan: { targets: [] },
        acknowledged: null,
        steps: { 'valve.facing@2.discharge': tick },
        found: {},
        batches: {},
      },
      proof: {
        acknowledged: { water: signed },
        acts: {},
        started: {},
        steps: {},
        shut: null,
        shuts: {},
        leftOut: {},
        screw: null,
        verdict: { outcome: 'pass', remark: null, ...signed },
      },
    });
    expect(stageStates(worked)).toMatchObject({ suspect: 'done', open: 'done', mend: 'done', prove: 'done' });
  });
});
