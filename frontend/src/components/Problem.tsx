import { Button } from '@mantine/core';
import { Link, useRouteError } from 'react-router';

import { ApiError } from '../api/client';
import css from './Problem.module.css';

/** What happened, what was kept, what to do. */
export function Problem({ error, onRetry }: { error: Error; onRetry?: () => void }) {
  const lost = !(error instanceof ApiError);
  return (
    <div className={css.problem} role="alert">
      <h2>{lost ? 'No connection to Jolf' : error.message}</h2>
      <p>
        {lost
          ? 'What you entered is kept on this computer and will be sent when the connection is back.'
          : 'Nothing was changed.'}
      </p>
      <div className={css.actions}>
        {onRetry && <Button onClick={onRetry}>Try again</Button>}
        <Button component={Link} to="/" variant="default">
          Back to today
        </Button>
      </div>
    </div>
  );
}

export function NotFound() {
  return (
    <div className={css.problem}>
      <h2>There is no such page</h2>
      <Button component={Link} to="/">
        Back to today
      </Button>
    </div>
  );
}

export function RouteProblem() {
  const error = useRouteError();
  return <Problem error={error instanceof Error ? error : new Error('unknown')} />;
}
