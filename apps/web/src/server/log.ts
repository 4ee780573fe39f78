import pino from 'pino';

export const log = pino({ name: 'good-arc', level: process.env.LOG_LEVEL ?? 'info' });
