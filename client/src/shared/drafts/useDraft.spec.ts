import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { effectScope, nextTick, ref, type EffectScope, type Ref } from 'vue';
import { useDraft, type Draft } from './useDraft';

describe('a draft', () => {
  let scope: EffectScope;
  let stored: Ref<string>;
  const begin = (): Draft => {
    scope = effectScope();
    return scope.run(() => useDraft('note', () => stored.value)) as Draft;
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
    expect(draft.text.value).toBe('theirs');
    expect(draft.conflict.value).toBeUndefined();
  });

  it('is replaced by nobody but its writer, and says what the others wrote', async () => {
    const draft = begin();
    draft.text.value = 'mine';
    await nextTick();
    stored.value = 'theirs';
    await nextTick();
    expect(draft.text.value).toBe('mine');
    expect(draft.conflict.value).toBe('theirs');
    draft.takeStored();
    await nextTick();
    expect(draft.text.value).toBe('theirs');
    expect(draft.changed.value).toBe(false);
  });

  it('goes on over what the others wrote once its writer has seen it', async () => {
    const draft = begin();
    draft.text.value = 'mine';
    await nextTick();
    stored.value = 'theirs';
    await nextTick();
    draft.keepMine();
    expect(draft.conflict.value).toBeUndefined();
    expect(draft.text.value).toBe('mine');
  });

  it('survives a reload, with what it was typed upon', async () => {
    begin().text.value = 'half a sen';
    await nextTick();
    stored.value = 'theirs';
    const draft = again();
    expect(draft.text.value).toBe('half a sen');
    expect(draft.conflict.value).toBe('theirs');
  });

  it('rests once it is stored', async () => {
    const draft = begin();
    draft.text.value = 'mine ';
    await nextTick();
    stored.value = 'mine';
    await nextTick();
    draft.done();
    expect(draft.text.value).toBe('mine ');
    expect(again().text.value).toBe('mine');
    expect(window.localStorage.getItem('note')).toBeNull();
  });

  it('takes up a text that an older version kept', () => {
    window.localStorage.setItem('note', 'before the update');
    expect(begin().text.value).toBe('before the update');
  });
});
