import '@fontsource/bitter/latin-400.css';
import '@fontsource/bitter/latin-700.css';
import '@fontsource/source-sans-3/latin-400.css';
import '@fontsource/source-sans-3/latin-600.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './App';
import { BrokenEdge } from './Broken';
import { RequestError } from './api/client';
import './look/tokens.css';
import './look/pages.css';
import { Dressed } from './look/Dressed';
import { registerWorker } from './offline/register';
import { askAhead } from './stages/season/useSeason';
import { ready } from './words/i18n';

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // The server has said no; asking again will not change it. A lost connection is worth two more tries.
      retry: (failures, error) => !(error instanceof RequestError) && failures < 2,
      // Another person's save reaches this screen when it is looked at again.
      staleTime: 10_000,
    },
  },
});
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '';

// Its answer and the drawing of the frame take as long as each other.
askAhead(queries);
void ready.then(() => {
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <Dressed nonce={nonce}>
        <QueryClientProvider client={queries}>
          <BrokenEdge>
            <App />
          </BrokenEdge>
        </QueryClientProvider>
      </Dressed>
    </StrictMode>,
  );
});
registerWorker();
