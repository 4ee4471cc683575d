import { theme as library, type ThemeConfig } from 'antd';
import { colours } from './colours';
import type { Shade } from './shade';

/** The component library dressed in Rama's own colours and type. */
export const themeOf = (shade: Shade): ThemeConfig => ({
  token: {
    ...colours[shade],
    borderRadius: 4,
    fontFamily: "'Source Sans 3', system-ui, sans-serif",
    fontSize: 15,
    controlHeight: 36,
    motionDurationMid: '0.1s',
    motionDurationSlow: '0.15s',
  },
  ...(shade === 'night' && { algorithm: nightOf }),
  components: {
    Button: { fontWeight: 600, primaryShadow: 'none', ...(shade === 'night' && { primaryColor: '#23101b' }) },
  },
});

// The library's own night works lighter and darker kinds of a colour out; the colours told stand.
const nightOf: NonNullable<ThemeConfig['algorithm']> = (seed, map) => ({
  ...library.darkAlgorithm(seed, map),
  ...colours.night,
});
