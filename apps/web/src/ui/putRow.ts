import type { Versioned } from '../api/rows.ts';
import { api } from './api.ts';

/**
 * Writes a row that people edit, from the version the page knows; a new one has none.
 * @returns the row with the version it has then
 * @throws ApiError, changed since, when somebody else has changed it
 */
export async function putRow<T extends Partial<Versioned> & { id: string }>(path: string, row: T): Promise<T & Versioned> {
  const { id, version: seen, ...body } = row;
  const { version } = await api<Versioned>('PUT', `${path}/${id}`, body, { seen });
  return { ...row, version };
}
