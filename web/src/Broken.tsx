import { Button } from 'antd';
import { Component, type ReactNode } from 'react';
import { useRouteError } from 'react-router';
import i18n from './words/i18n';

/**
 * A fault of Rama's own while a page was drawn: what happened, what is safe, and the ways on. It leans on nothing that
 * may itself be what broke: a plain link loads the application anew.
 */
function Broken({ error }: { error: unknown }) {
  const said = error instanceof Error ? error.message : String(error);
  // A script that is not there any more: each browser says it in words of its own.
  const isRenewed = /dynamically imported|module script failed/i.test(said);
  return (
    <main className="problem-page" data-test="broken" role="alert">
      <h1>{i18n.t(isRenewed ? 'broken.renewed' : 'broken.title')}</h1>
      <p>{i18n.t(isRenewed ? 'broken.renewed-what' : 'broken.what')}</p>
      <p>{i18n.t('broken.safe')}</p>
      <p className="problem-ways">
        <Button
          type="primary"
          onClick={() => {
            window.location.reload();
          }}
        >
          {i18n.t('trouble.retry')}
        </Button>
        <a href="/">{i18n.t('trouble.home')}</a>
      </p>
      <p className="problem-detail">{i18n.t('broken.detail', { where: window.location.pathname, said })}</p>
    </main>
  );
}

/** The same for what broke inside a route; its frame stays around it. */
export function BrokenRoute() {
  return <Broken error={useRouteError()} />;
}

/** The same for what broke outside the routes. */
export class BrokenEdge extends Component<{ children: ReactNode }, { error: unknown }> {
  override state: { error: unknown } = { error: null };

  static getDerivedStateFromError(error: unknown) {
    return { error };
  }

  override render() {
    return this.state.error === null ? this.props.children : <Broken error={this.state.error} />;
  }
}
