/**
 * Redis of Debian’s `redis-tools`, whose checker is the server by another name. It keeps nothing: who has a machine is known again within a second.
 * @param {number} port @returns {[string, ...string[]]}
 */
export const redisCommand = (port) => [
  'bash',
  '-c',
  `exec -a redis-server redis-check-rdb --port ${port} --bind 127.0.0.1 --save '' --appendonly no`,
];
