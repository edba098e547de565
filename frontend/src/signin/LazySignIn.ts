import { late } from '../components/late';

const load = () => import('./SignIn');

// Nobody who is signed in waits for these.
export const LazySignIn = late(async () => (await load()).SignIn);
export const LazySignInForm = late(async () => (await load()).SignInForm);
