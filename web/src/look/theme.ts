import type { ThemeConfig } from 'antd';

/** The component library dressed in Rama's own colours and type; the same values as tokens.css. */
export const theme: ThemeConfig = {
  token: {
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
    borderRadius: 4,
    fontFamily: "'Source Sans 3', system-ui, sans-serif",
    fontSize: 15,
    controlHeight: 36,
    motionDurationMid: '0.1s',
    motionDurationSlow: '0.15s',
  },
  components: { Button: { fontWeight: 600, primaryShadow: 'none' } },
};
