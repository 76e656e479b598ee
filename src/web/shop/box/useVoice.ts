import { useCallback, useEffect, useRef, useState } from "react";

/** Speech recognition of the browser, as far as it is used here (https://webaudio.github.io/web-speech-api/). */
interface Recogniser {
  lang: string;
  interimResults: boolean;
  onresult: ((event: { results: ArrayLike<ArrayLike<{ transcript: string }>> }) => void) | null;
  onend: (() => void) | null;
  onerror: (() => void) | null;
  start: () => void;
  abort: () => void;
}
type MakeRecogniser = new () => Recogniser;

function recogniser(): MakeRecogniser | null {
  const known = window as unknown as { SpeechRecognition?: MakeRecogniser; webkitSpeechRecognition?: MakeRecogniser };
  return known.SpeechRecognition ?? known.webkitSpeechRecognition ?? null;
}

/** Hears one search. null where the browser does not understand speech. @param hear gets what was said. */
export function useVoice(language: string, hear: (text: string) => void): { isListening: boolean; toggle: () => void } | null {
  const [isListening, setListening] = useState(false);
  const running = useRef<Recogniser | null>(null);
  const heard = useRef(hear);
  heard.current = hear;
  useEffect(() => () => running.current?.abort(), []);
  const Make = recogniser();
  const toggle = useCallback(() => {
    if (running.current) return running.current.abort();
    if (!Make) return;
    const own = new Make();
    own.lang = language;
    own.interimResults = false;
    own.onresult = ({ results }) => heard.current(results[0]?.[0]?.transcript ?? "");
    own.onerror = () => setListening(false);
    own.onend = () => {
      running.current = null;
      setListening(false);
    };
    running.current = own;
    setListening(true);
    own.start();
  }, [Make, language]);
  return Make ? { isListening, toggle } : null;
}
