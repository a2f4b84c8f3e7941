import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/bricolage-grotesque/600.css';
import './fonts/basic.css';
import { CssBaseline, ThemeProvider } from '@mui/material';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { newQueryClient } from './api/queryClient';
import { App } from './frame/App';
import { Words } from './i18n';
import { theme } from './theme';
import { NoticeProvider } from './ui/Notice';
import { whenEndedElsewhere } from './ui/session';

const queries = newQueryClient();
// Nothing of somebody who left stays in sight in another tab.
whenEndedElsewhere(() => window.location.replace('/'));

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');
createRoot(root).render(
  <StrictMode>
    <ThemeProvider theme={theme} defaultMode="system" noSsr>
      <CssBaseline />
      <QueryClientProvider client={queries}>
        {/* What is selected is in the address: a key pressed twice must move twice. */}
        <BrowserRouter useTransitions={false}>
          <Words>
            <NoticeProvider>
              <App />
            </NoticeProvider>
          </Words>
        </BrowserRouter>
      </QueryClientProvider>
    </ThemeProvider>
  </StrictMode>,
);
