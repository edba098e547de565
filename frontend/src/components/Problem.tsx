import { Component, type ReactNode } from 'react';
import { Link, useLocation } from 'wouter';

import { ApiError } from '../api/client';
import css from './Problem.module.css';
import touch from './touch.module.css';
import * as say from '../messages/compiled/components';

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
      <Heading>{lost ? say.noConnectionToJolf() : error.message}</Heading>
      <p>{lost ? say.whatYouEnteredIsKept() : say.nothingWasChanged()}</p>
      <div className={css.actions}>
        {onRetry && (
          <button type="button" className={touch.main} onClick={onRetry}>
            {say.tryAgain()}
          </button>
        )}
        <Link href="/" className={touch.button}>
          {say.backToToday()}
        </Link>
      </div>
    </div>
  );
}

export function NotFound() {
  return (
    <div className={css.problem}>
      <h1>{say.thereIsNoSuchPage()}</h1>
      <Link href="/" className={touch.main}>
        {say.backToToday()}
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
