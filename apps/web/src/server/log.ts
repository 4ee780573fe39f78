import pino from 'pino';

/** What went wrong, without what people typed: a query that failed names its parameters in its message. */
export function withoutParameters(error: unknown): unknown {
  if (!(error instanceof Error)) return error;
  const {
    params: _params,
    cause,
    ...rest
  } = pino.stdSerializers.err(error) as unknown as Record<string, unknown> & { message: string; stack: string };
  const cut = (text: string): string => text.replace(/\nparams: [^\n]*/g, '');
  return {
    ...rest,
    message: cut(rest.message),
    stack: cut(rest.stack),
    ...(error.cause !== undefined && { cause: withoutParameters(error.cause) }),
  };
}

export const log = pino({ name: 'good-arc', level: process.env.LOG_LEVEL ?? 'info', serializers: { err: withoutParameters } });
