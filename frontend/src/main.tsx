import './mantine';
import './fonts.css';
import './global.css';
import './drawings/tones.css';

import { MantineProvider } from '@mantine/core';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';

import { queryClient } from './api/queryClient';
import { Pages } from './Pages';
import { cssVariables, theme } from './theme';

const root = document.getElementById('root');
if (root === null) throw new Error('index.html has no #root');
createRoot(root).render(
  <StrictMode>
    <MantineProvider theme={theme} cssVariablesResolver={cssVariables} defaultColorScheme="auto">
      <QueryClientProvider client={queryClient}>
        <Pages />
      </QueryClientProvider>
    </MantineProvider>
  </StrictMode>,
);
