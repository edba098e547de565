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
// It sends what was recorded before, as soon as there is a network again: kept from the start.
void import('./SendTakes').catch(() => undefined).then(() => keepForLater(token));
