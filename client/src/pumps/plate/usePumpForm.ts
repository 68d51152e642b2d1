import { useQueryClient } from '@tanstack/vue-query';
import { nextTick, ref, type Ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, inWords, problemsIn, Refusal, taken } from '@/shared/api/client';
import { useDoubts, type Doubts } from '@/shared/doubt/useDoubts';
import { fieldOf, problemsOf, toRequest } from './plate';
import { problemOf, sections } from './plateSections';
import type { PlateDraft } from './usePlateDraft';

export interface PumpForm {
  /** What is wrong, by field of the request. */
  problems: Ref<Record<string, string>>;
  /** Sections that are open. */
  opened: Ref<string[]>;
  doubts: Doubts;
  store: () => Promise<void>;
}

/** Stores a pump as it is typed; says everything that stands in the way at once, and where. */
export function usePumpForm(
  id: string | undefined,
  draft: PlateDraft,
  form: Ref<HTMLFormElement | undefined>,
): PumpForm {
  const router = useRouter();
  const client = useQueryClient();
  const { plate, etag, trouble } = draft;
  const problems = ref<Record<string, string>>({});
  const opened = ref<string[]>([]);
  const doubts = useDoubts();

  /** Shows every problem at its field, opens what hides one, and puts the reader at the first. */
  async function show(found: Record<string, string>, says: string) {
    problems.value = found;
    trouble.value = says;
    const hiding = sections.filter((s) => s.fields.some((f) => problemOf(f, found) !== undefined)).map((s) => s.id);
    opened.value = [...new Set([...opened.value, ...hiding])];
    await nextTick();
    form.value?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  }

  async function send(sure?: true) {
    const body = { ...toRequest(plate), ...(sure ? { sure } : {}) };
    if (!id) return taken(await api.POST('/api/pumps', { body }));
    return taken(
      await api.PUT('/api/pumps/{id}', { params: { path: { id } }, body, headers: { 'If-Match': etag.value } }),
    );
  }

  async function store(sure?: true): Promise<void> {
    const unread = problemsOf(plate);
    const count = Object.keys(unread).length;
    if (count) return show(unread, `${count === 1 ? 'One field is' : `${count} fields are`} not right yet; see there.`);
    try {
      const stored = await send(sure);
      draft.done();
      await client.invalidateQueries();
      await router.push(`/pumps/${stored.id}/bench`);
    } catch (error) {
      await refused(error);
    }
  }

  async function refused(error: unknown): Promise<void> {
    if (error instanceof Refusal && error.status === 412) {
      await draft.renew();
      trouble.value =
        'Somebody corrected this pump meanwhile, so nothing is stored yet. Look it over, then store it again.';
      return;
    }
    if (!(error instanceof Refusal) || error.doubts.length === 0) return show(problemsIn(error), inWords(error));
    const decision = await doubts.ask(error.doubts);
    if (!decision) return show({}, 'Nothing is stored yet; what you typed is still there.');
    if ('sure' in decision) return store(true);
    const key = fieldOf(decision.doubt.field);
    if (key) plate[key] = { text: String(decision.meant.value), unit: decision.meant.unit };
    return store();
  }

  return { problems, opened, doubts, store: () => store() };
}
