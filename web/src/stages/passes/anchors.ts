import type { Anchor } from '../../api/client';

/** Days of the year of a planting that follow one another, in their order. */
export const anchorsOfTheYear: Anchor[] = [
  'leafFallBefore',
  'silverTip',
  'greenTip',
  'bloom',
  'petalFall',
  'softShoots',
  'naturalDrop',
  'harvestBegin',
  'harvestEnd',
  'leafFall',
];

/** What happens on a site. */
export const siteAnchors: Anchor[] = ['stormSeason', 'hotSeason'];
