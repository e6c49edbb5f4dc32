// What no text of ours holds: control characters (Unicode, general category Cc) but for tab and the ends of lines; what turns the direction of what follows, by which a
// name can be made to read as another (Unicode Technical Report 36, 2.10.2); and half a surrogate pair, which is no character at all.
const ALLOWED_CONTROLS = /[\t\n\r]/g;
const ODD = /\p{Cc}|[\u202a-\u202e\u2066-\u2069]|\p{Surrogate}/u;

/** Whether a text holds only what somebody can have typed or printed. */
export const isPlainText = (text: string): boolean => !ODD.test(text.replace(ALLOWED_CONTROLS, ''));
