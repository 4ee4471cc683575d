import { api, answered, type TargetEntry } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { at, type PartOf } from '../../planting/part';

export const targetSpec: FormSpec = {
  yield: { amount: 't/ha' },
  fruitSize: { amount: 'g' },
  packOut: { amount: '%' },
  budFactor: 'number',
  limbsPerTree: 'number',
  'packages.box': { amount: 'kg' },
  'packages.bin': { amount: 'kg' },
  'packages.bushel': { amount: 'lb' },
  'insurance.school': 'choice',
  'insurance.reason': 'text',
  'insurance.reached': { amount: '%' },
  'insurance.costOver': 'number',
  'insurance.costUnder': 'number',
  'insurance.setShare': { amount: '%' },
  'insurance.setShareSd': { amount: '%' },
  'insurance.takenSet.mean': 'number',
  'insurance.takenSet.sd': 'number',
  'insurance.pruningSd': { amount: '%' },
  'insurance.fruitlets': 'number',
  'insurance.losses.winterKill': { amount: '%' },
  'insurance.losses.frost': { amount: '%' },
  'insurance.losses.mechanical': { amount: '%' },
  'insurance.losses.riskChance': { amount: '%' },
  'insurance.losses.riskLoss': { amount: '%' },
  'canopy.height': { amount: 'm' },
  'canopy.regrowth': { amount: 'm' },
  'canopy.alley': { amount: 'm' },
  'canopy.overlap': { amount: 'm' },
  'canopy.heightFactor': 'number',
  'canopy.leaders': 'number',
  'canopy.leaderSpacing': { amount: 'm' },
  'canopy.angleDeg': 'number',
  'canopy.baseGap': { amount: 'm' },
  'canopy.overhang': { amount: 'm' },
  'sharing.exponent': 'number',
  'sharing.smallBelow': { amount: 'mm' },
  'sharing.largeFrom': { amount: 'mm' },
  'sharing.top': 'choice',
};

export const target: PartOf<Draft, TargetEntry> = {
  ofPlanting: false,
  act: 'target',
  from: (view, typing) => toDraft(targetSpec, view.target, typing),
  read: (draft, language) => readDraft(targetSpec, draft, language),
  save: (view, target) =>
    answered(api.PUT('/api/v1/plantings/{id}/target', { ...at(view), body: { version: view.planVersion, target } })),
};
