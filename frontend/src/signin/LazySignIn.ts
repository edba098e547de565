import { lazy } from 'react';

const load = () => import('./SignIn');

// Nobody who is signed in waits for these.
export const LazySignIn = lazy(async () => ({ default: (await load()).SignIn }));
export const LazySignInForm = lazy(async () => ({ default: (await load()).SignInForm }));
