/** Whether an error means that the database is not there, is just starting or ending, or does not answer: the same may well go through in a moment. */
export function isAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code = '', name, message } = error as Error & { readonly code?: unknown };
  return (
    name === 'KnexTimeoutError' ||
    (typeof code === 'string' && (CODES.has(code) || /^(08|53|57P)/.test(code))) ||
    /Connection terminated|timeout expired|Query read timeout|Client has encountered a connection error|Connection is closed|Unable to acquire a connection/i.test(
      message,
    )
  );
}

/** Of the network; of a query that ran out of time, and of two that stood in each other's way. @source PostgreSQL, appendix A */
const CODES = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'EHOSTUNREACH', 'ENOTFOUND', '57014', '40P01', '40001']);
