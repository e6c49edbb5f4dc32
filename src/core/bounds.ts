import { z } from 'zod';

/** An ISO 8601 instant in UTC. */
export const instantSchema = z.iso.datetime({ precision: 3 });
/** An ISO 8601 day. */
export const daySchema = z.iso.date();
/** A text a person typed: trimmed, not empty, bounded. */
export const typedText = (longest: number) => z.string().trim().min(1).max(longest);
/** A reason that stays in a record. */
export const whySchema = typedText(300);
/** What a fastener is called on a job. */
export const positionSchema = typedText(40);
/** A SHA-256 in lower-case hexadecimal. */
export const hashSchema = z.string().regex(/^[0-9a-f]{64}$/);
