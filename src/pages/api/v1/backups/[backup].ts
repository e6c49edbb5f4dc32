import { accepted } from '#core/result.ts';
import { endpoint, streamedFile } from '#server/http/endpoint.ts';
import { backupFile } from '#server/services/backups.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.fetchBackup, ({ context }) => {
  const file = backupFile(context.params['backup'] ?? '');
  return file.ok ? accepted(streamedFile(file.value)) : file;
});
