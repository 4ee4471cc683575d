import { ConfigProvider } from 'antd';
import { useMemo, type ReactNode } from 'react';
import { useShade } from './shade';
import { themeOf } from './theme';

/** Dresses the component library for the light there is. */
export function Dressed({ nonce, children }: { nonce: string; children: ReactNode }) {
  const shade = useShade();
  const theme = useMemo(() => themeOf(shade), [shade]);
  return (
    <ConfigProvider theme={theme} csp={{ nonce }} wave={{ disabled: true }} button={{ autoInsertSpace: false }}>
      {children}
    </ConfigProvider>
  );
}
