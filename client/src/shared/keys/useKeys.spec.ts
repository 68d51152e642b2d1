import { describe, expect, it } from 'vitest';
import { covered, match, typing } from './useKeys';

const actions = ['n', 'g c', 'c', 'u'].map((keys) => ({ keys, says: keys, run: () => undefined }));

describe('keys', () => {
  it('finds single strokes', () => expect(match(actions, 'u', '')?.keys).toBe('u'));
  it('prefers two strokes over one', () => expect(match(actions, 'c', 'g')?.keys).toBe('g c'));
  it('falls back to the single stroke', () => expect(match(actions, 'c', 'x')?.keys).toBe('c'));
  it('knows no others', () => expect(match(actions, 'z', 'g')).toBeUndefined());

  it('leaves text fields alone', () => {
    expect(typing(document.createElement('input'))).toBe(true);
    expect(typing(document.createElement('textarea'))).toBe(true);
    expect(typing(document.createElement('button'))).toBe(false);
  });

  it('are not the page’s while something lies over it', () => {
    expect(covered()).toBe(false);
    document.body.innerHTML = '<div role="dialog"></div>';
    expect(covered()).toBe(true);
    document.body.innerHTML = '';
  });
});
