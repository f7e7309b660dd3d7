import pino from 'pino';

export const log = pino({ name: 'fendrel', level: process.env.FENDREL_LOG ?? 'warn' });
