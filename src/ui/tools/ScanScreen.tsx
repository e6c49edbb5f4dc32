import { useEffect, useRef, useState } from 'react';
import { FileButton } from '../shared/FileButton.tsx';
import { codeInFrame, codeInPhotograph } from './code-in.ts';

const SCAN_EVERY_MS = 200;

/** The page that a label's code opens, a tool's or a template's, where it is one of this site's labels. */
const labelAddress = (text: string): string | null =>
  /\/(tools|jobs\/new\/templates)\/[0-9a-f-]{36}$/.exec(text)?.[0] ?? null;

type Camera = 'asked for' | 'looking' | 'none';

const CAMERA_WORDS: Readonly<Record<Camera, string>> = {
  'asked for': 'Asking for the camera …',
  looking: 'Hold the label’s code before the camera.',
  none: 'No camera may be used here. Choose a photograph of the label, or search for its code.',
};

const TOLD = {
  nothing:
    'No code found in this picture. Photograph the label alone, straight and sharp, or search for its code.',
  foreign: 'This code is not a label of this site. Scan the label on the tool, or search for its code.',
  unreadable: 'The browser cannot read this file as a picture. Choose a PNG or a JPEG.',
} as const;

/** Opens a tool by its label: by the camera, or from a photograph where there is none. */
export const ScanScreen = () => {
  const video = useRef<HTMLVideoElement>(null);
  const [camera, setCamera] = useState<Camera>('asked for');
  // What a code or a photograph came to; a camera that gets ready later says nothing over it.
  const [told, setTold] = useState<string | null>(null);
  const open = (text: string | null): void => {
    const address = text === null ? null : labelAddress(text);
    if (address) window.location.assign(address);
    else setTold(text === null ? TOLD.nothing : TOLD.foreign);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: the camera is asked for once
  useEffect(() => {
    let stream: MediaStream | null = null;
    let timer = 0;
    const letGo = (): void => {
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
    const start = async (): Promise<void> => {
      try {
        stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
      } catch {
        return setCamera('none');
      }
      const element = video.current;
      if (!element) return letGo();
      element.srcObject = stream;
      await element.play();
      setCamera('looking');
      let frame = 0;
      timer = window.setInterval(() => {
        const { videoWidth: width, videoHeight: height } = element;
        if (width === 0) return;
        const found = codeInFrame({ source: element, width, height }, frame++);
        if (found === null) return;
        // Asked for twice, a page that takes its time would begin anew each time.
        if (labelAddress(found)) window.clearInterval(timer);
        open(found);
      }, SCAN_EVERY_MS);
    };
    void start();
    return () => {
      window.clearInterval(timer);
      letGo();
    };
  }, []);
  return (
    <div className="mx-auto grid max-w-xl gap-4">
      <h1 className="text-xl font-bold">Scan a label</h1>
      <video
        ref={video}
        className="w-full rounded-lg border border-rule bg-black"
        hidden={camera !== 'looking'}
        muted
        playsInline
      />
      <p role="status">{told ?? CAMERA_WORDS[camera]}</p>
      <div>
        <FileButton
          words="A photograph of the label"
          accept="image/*"
          onFile={(file) =>
            void createImageBitmap(file)
              .then((picture) =>
                open(codeInPhotograph({ source: picture, width: picture.width, height: picture.height })),
              )
              .catch(() => setTold(TOLD.unreadable))
          }
        />
      </div>
    </div>
  );
};
