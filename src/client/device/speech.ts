/** Says a sentence aloud, cutting off the one before; silent where the browser has no voice. */
export const say = (sentence: string): void => {
  if (!('speechSynthesis' in window)) return;
  window.speechSynthesis.cancel();
  window.speechSynthesis.speak(new SpeechSynthesisUtterance(sentence));
};
