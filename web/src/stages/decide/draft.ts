import { api, answered, type PlantingView } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { at, type PartOf } from '../../planting/part';

export const settingsSpec: FormSpec = {
  tolerance: { amount: '%' },
  cap: { amount: '%' },
  held: 'choice',
  heldReason: 'text',
};

export const settings: PartOf<Draft, PlantingView['settings']> = {
  ofPlanting: false,
  act: 'settings',
  from: (view, typing) => toDraft(settingsSpec, view.settings, typing),
  read: (draft, language) => readDraft(settingsSpec, draft, language),
  save: (view, settings) =>
    answered(
      api.PUT('/api/v1/plantings/{id}/settings', { ...at(view), body: { version: view.planVersion, settings } }),
    ),
};
