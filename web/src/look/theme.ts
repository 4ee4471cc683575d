import { theme as library, type ThemeConfig } from 'antd';
import type { Shade } from './shade';

/** Colours of the component library by day and at night: the same values as tokens.css. */
const colours = {
  day: {
    colorPrimary: '#6b2c50',
    colorInfo: '#3e6177',
    colorError: '#a9472a',
    colorWarning: '#a87412',
    colorSuccess: '#55622a',
    colorText: '#2c2520',
    colorTextPlaceholder: '#75695d',
    colorBgBase: '#fffcf5',
    colorBgContainer: '#fffcf5',
    colorBgElevated: '#fffcf5',
    colorBgLayout: '#f5f0e6',
    colorBorder: '#bfb09a',
    colorBorderSecondary: '#ddd2bf',
  },
  night: {
    colorPrimary: '#e6a9ca',
    colorInfo: '#93b8cf',
    colorError: '#f19d80',
    colorWarning: '#e3b45f',
    colorSuccess: '#bfcb85',
    colorText: '#f0e8db',
    colorTextPlaceholder: '#bfb2a2',
    colorTextLightSolid: '#23101b',
    colorBgBase: '#262019',
    colorBgContainer: '#262019',
    colorBgElevated: '#262019',
    colorBgLayout: '#1b1714',
    colorBorder: '#7d6f60',
    colorBorderSecondary: '#463c33',
  },
};

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
