import { readFileSync } from 'node:fs';

const SCHEMAS = /\/zod\/v4\/core\/(?:to-json-schema|json-schema-processors)\.js$/;
const ENGLISH = /\/zod\/v4\/locales\/en\.js$/;
const CLASSIC = /\/zod\/v4\/classic\/schemas\.js$/;
// Formats that hang on every string as methods; ours are written by themselves (z.uuid, z.iso.date), so a schema that calls one fails when it is made.
const FORMAT =
  /^ {4}(?:email|url|jwt|emoji|guid|uuid|uuidv[467]|nanoid|cuid2?|ulid|base64(?:url)?|xid|ksuid|ipv[46]|cidrv[46]|e164|datetime|date|time|duration)\(params\) \{\n.*\n {4}\},\n/gm;
const EXPORTED = /^export (?:const|function) (\w+)/gm;

/** Leaves out of the browser's zod what no page calls and no bundler finds unused, since the library hangs it on every schema (docs/adr/0019): what writes JSON
 *  schemas, which only `npm run openapi` does; a browser that asks for one all the same is told. Formats of strings that nobody writes as methods. And its English, in whose place the forms have words of their
 *  own (ui/kit/form/field-words). */
export const leanZod = () => ({
  name: 'jentik-lean-zod',
  load(id, { ssr } = {}) {
    if (ssr) return null;
    if (ENGLISH.test(id)) return 'export default () => ({ localeError: () => "invalid" });';
    if (CLASSIC.test(id)) return readFileSync(id, 'utf8').replace(FORMAT, '');
    if (!SCHEMAS.test(id)) return null;
    const names = [...readFileSync(id, 'utf8').matchAll(EXPORTED)].map(([, name]) => name);
    return [
      'const none = () => () => { throw new Error("JSON schemas are written on the server"); };',
      ...names.map((name) => `export const ${name} = none;`),
    ].join('\n');
  },
});
