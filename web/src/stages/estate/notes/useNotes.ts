import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, answered, type NoteView, type PlantingNoteEntry } from '../../../api/client';
import { useAttempt } from '../../../entry/useAttempt';

const notesKey = 'notes';

/** Notes at a planting, the open ones first. */
export function useNotes(planting: string) {
  return useQuery({
    queryKey: [notesKey, planting],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/notes', { params: { path: { id: planting } } })),
  });
}

/** Open notes of all plantings whose day has come. */
export function useDueNotes() {
  return useQuery({ queryKey: [notesKey, 'due'], queryFn: () => answered(api.GET('/api/v1/notes/due')) });
}

/** Makes, changes, closes and removes notes at a planting. */
export function useNoteChanges(planting: string) {
  const client = useQueryClient();
  const { attempt, ...told } = useAttempt();
  const change = (act: () => Promise<unknown>) =>
    attempt(async () => {
      await act();
      await client.invalidateQueries({ queryKey: [notesKey] });
    });
  const pathOf = (note: string) => ({ path: { id: planting, note } });
  return {
    ...told,
    save: (note: PlantingNoteEntry, { id, version }: { id: string; version: number }) =>
      change(() =>
        answered(api.PUT('/api/v1/plantings/{id}/notes/{note}', { params: pathOf(id), body: { version, note } })),
      ),
    setDone: ({ id, version }: NoteView, isDone: boolean) =>
      change(() =>
        answered(
          api.PUT('/api/v1/plantings/{id}/notes/{note}/done', { params: pathOf(id), body: { version, isDone } }),
        ),
      ),
    remove: ({ id }: NoteView) =>
      change(() => answered(api.DELETE('/api/v1/plantings/{id}/notes/{note}', { params: pathOf(id) }))),
  };
}
