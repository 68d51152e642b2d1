import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { effectScope, nextTick, ref, type EffectScope, type Ref } from 'vue';
import { useDraft, type Draft } from './useDraft';

describe('a draft', () => {
  let scope: EffectScope;
  let stored: Ref<string>;
  const begin = (): Draft<string> => {
    scope = effectScope();
    return scope.run(() => useDraft('note', () => stored.value)) as Draft<string>;
  };
  const again = () => {
    scope.stop();
    return begin();
  };

  beforeEach(() => {
    window.localStorage.clear();
    stored = ref('as stored');
  });
  afterEach(() => scope.stop());

  it('follows what others store while nothing is typed', async () => {
    const draft = begin();
    stored.value = 'theirs';
    await nextTick();
    expect(draft.typed.value).toBe('theirs');
    expect(draft.conflict.value).toBeUndefined();
  });

  it('is replaced by nobody but its writer, and says what the others wrote', async () => {
    const draft = begin();
    draft.typed.value = 'mine';
    await nextTick();
    stored.value = 'theirs';
    await nextTick();
    expect(draft.typed.value).toBe('mine');
    expect(draft.conflict.value).toBe('theirs');
    draft.takeStored();
    await nextTick();
    expect(draft.typed.value).toBe('theirs');
    expect(draft.changed.value).toBe(false);
  });

  it('goes on over what the others wrote once its writer has seen it', async () => {
    const draft = begin();
    draft.typed.value = 'mine';
    await nextTick();
    stored.value = 'theirs';
    await nextTick();
    draft.keepMine();
    expect(draft.conflict.value).toBeUndefined();
    expect(draft.typed.value).toBe('mine');
  });

  it('survives a reload, with what it was typed upon', async () => {
    begin().typed.value = 'half a sen';
    await nextTick();
    stored.value = 'theirs';
    const draft = again();
    expect(draft.typed.value).toBe('half a sen');
    expect(draft.conflict.value).toBe('theirs');
  });

  it('rests once it is stored', async () => {
    const draft = begin();
    draft.typed.value = 'mine ';
    await nextTick();
    stored.value = 'mine';
    await nextTick();
    draft.done();
    expect(draft.typed.value).toBe('mine ');
    expect(again().typed.value).toBe('mine');
    expect(window.localStorage.getItem('note')).toBeNull();
  });

  it('begins anew where what was kept cannot be read', () => {
    window.localStorage.setItem('note', 'no { JSON');
    expect(begin().typed.value).toBe('as stored');
  });

  it('keeps a form too, made whole where a field came later, and never types into what is stored', async () => {
    const now = ref({ tag: 'FOG-2', stroke: { text: '18' }, duty: 'fog' });
    window.localStorage.setItem(
      'form',
      JSON.stringify({
        typed: { tag: 'FOG-2', stroke: { text: '19' } },
        basedOn: { tag: 'FOG-2', stroke: { text: '18' } },
      }),
    );
    scope = effectScope();
    const draft = scope.run(() =>
      useDraft(
        'form',
        () => now.value,
        (kept) => ({ ...now.value, ...kept }),
      ),
    );
    if (!draft) throw new Error('the scope ended at once');
    expect(draft.typed.value).toEqual({ tag: 'FOG-2', stroke: { text: '19' }, duty: 'fog' });
    expect(draft.conflict.value).toBeUndefined();
    draft.takeStored();
    draft.typed.value.stroke.text = '20';
    await nextTick();
    expect(now.value.stroke.text).toBe('18');
    expect(JSON.parse(window.localStorage.getItem('form') ?? '')).toMatchObject({ typed: { stroke: { text: '20' } } });
    draft.typed.value.stroke.text = '18';
    await nextTick();
    await nextTick();
    expect(window.localStorage.getItem('form')).toBeNull();
  });
});
