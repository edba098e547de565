import '../fonts.css';
import '../global.css';
import '../drawings/tones.css';
import './home.css';

import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';

import { HomePage } from './HomePage';
import { keepForLater } from './offline';
import { putTokens } from './putTokens';

const token = window.location.pathname.split('/')[2] ?? '';
const root = document.getElementById('root');
if (root === null) throw new Error('home.html has no #root');
putTokens(document.documentElement);
createRoot(root).render(
  <StrictMode>
    <HomePage token={token} />
  </StrictMode>,
);
// What sends takes of before and what a practice needs is kept from the start, for a time without network.
const parts = [import('./SendTakes'), import('./Practice')];
void Promise.allSettled(parts).then(() => keepForLater(token));
