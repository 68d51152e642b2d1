import { useQueryClient } from '@tanstack/vue-query';
import { useToast } from 'primevue/usetoast';
import { api, inWords, taken } from '../api/client';

/** What can be put away. */
export interface Stored {
  kind: 'case' | 'pump';
  id: string;
  /** As its owner calls it: "FOG-2", or what was wrong. */
  name: string;
}

export interface Archive {
  putAway: (what: Stored) => Promise<void>;
  bringBack: (what: Stored) => Promise<void>;
}

/** What the message on screen carries, so that its button can undo what it tells of. */
export interface ArchiveToast {
  undo?: () => void;
}

/** Puts cases and pumps away and brings them back; every message that says so offers the way back. */
export function useArchive(): Archive {
  const client = useQueryClient();
  const toast = useToast();

  async function mark(what: Stored, away: boolean): Promise<boolean> {
    const params = { params: { path: { id: what.id } } };
    try {
      if (what.kind === 'case')
        taken(
          await (away ? api.PUT('/api/cases/{id}/archived', params) : api.DELETE('/api/cases/{id}/archived', params)),
        );
      else
        taken(
          await (away ? api.PUT('/api/pumps/{id}/archived', params) : api.DELETE('/api/pumps/{id}/archived', params)),
        );
      await client.invalidateQueries({ queryKey: [`${what.kind}s`] });
      return true;
    } catch (error) {
      toast.add({ severity: 'error', summary: inWords(error), life: 10_000 });
      return false;
    }
  }

  async function bringBack(what: Stored) {
    if (await mark(what, false))
      toast.add({ severity: 'info', summary: `“${what.name}” is back in the list.`, life: 5_000 });
  }

  async function putAway(what: Stored) {
    if (!(await mark(what, true))) return;
    const wayBack: ArchiveToast = { undo: () => void bringBack(what) };
    toast.add({ severity: 'info', summary: `“${what.name}” is put away.`, life: 12_000, ...wayBack });
  }

  return { putAway, bringBack };
}
