import { Component, type ReactNode } from 'react';
import { Link, useLocation } from 'wouter';

import { ApiError } from '../api/client';
import css from './Problem.module.css';
import touch from './touch.module.css';

interface Props {
  error: Error;
  onRetry?: () => void;
  /** In the place of a part of a page that has its own heading. */
  isPart?: boolean;
}

/** What happened, what was kept, what to do. */
export function Problem({ error, onRetry, isPart = false }: Props) {
  const lost = !(error instanceof ApiError);
  const Heading = isPart ? 'h2' : 'h1';
  return (
    <div className={css.problem} role="alert">
      <Heading>{lost ? 'No connection to Jolf' : error.message}</Heading>
      <p>
        {lost
          ? 'What you entered is kept on this computer and will be sent when the connection is back.'
          : 'Nothing was changed.'}
      </p>
      <div className={css.actions}>
        {onRetry && (
          <button type="button" className={touch.main} onClick={onRetry}>
            Try again
          </button>
        )}
        <Link href="/" className={touch.button}>
          Back to today
        </Link>
      </div>
    </div>
  );
}

export function NotFound() {
  return (
    <div className={css.problem}>
      <h1>There is no such page</h1>
      <Link href="/" className={touch.main}>
        Back to today
      </Link>
    </div>
  );
}

/** The page, or what went wrong in it; going to another page starts anew. */
export function PageBoundary({ children }: { children: ReactNode }) {
  const [path] = useLocation();
  return <Boundary key={path}>{children}</Boundary>;
}

class Boundary extends Component<{ children: ReactNode }, { error: Error | null }> {
  override state: { error: Error | null } = { error: null };

  static getDerivedStateFromError(error: unknown) {
    return { error: error instanceof Error ? error : new Error('unknown') };
  }

  override render() {
    if (this.state.error === null) return this.props.children;
    // Parts of a page that did not come, or are those of an older version, come with a fresh page.
    return <Problem error={this.state.error} onRetry={() => window.location.reload()} />;
  }
}
