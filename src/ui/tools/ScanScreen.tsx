import { useEffect, useRef, useState } from 'react';
import { FileButton } from '../shared/FileButton.tsx';
import { codeInFrame, codeInPhotograph } from './code-in.ts';

const SCAN_EVERY_MS = 200;

/** The tool's page that a label's code opens, where it is one of this site's labels. */
const toolAddress = (text: string): string | null => /\/tools\/([0-9a-f-]{36})$/.exec(text)?.[0] ?? null;

/** Opens a tool by its label: by the camera, or from a photograph where there is none. */
export const ScanScreen = () => {
  const video = useRef<HTMLVideoElement>(null);
  const [camera, setCamera] = useState('Asking for the camera …');
  // What a code or a photograph came to; a camera that gets ready later says nothing over it.
  const [told, setTold] = useState<string | null>(null);
  const open = (text: string | null): void => {
    const address = text === null ? null : toolAddress(text);
    if (address) window.location.assign(address);
    else setTold(text === null ? 'No code in this picture.' : 'This code is no label of this site.');
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: the camera is asked for once
  useEffect(() => {
    let stream: MediaStream | null = null;
    let timer = 0;
    const start = async (): Promise<void> => {
      try {
        stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
      } catch {
        return setCamera(
          'No camera may be used here. Choose a photograph of the label, or search for its code.',
        );
      }
      const element = video.current;
      if (!element) return;
      element.srcObject = stream;
      await element.play();
      setCamera('Hold the label’s code before the camera.');
      let frame = 0;
      timer = window.setInterval(() => {
        const { videoWidth: width, videoHeight: height } = element;
        if (width === 0) return;
        const found = codeInFrame({ source: element, width, height }, frame++);
        if (found === null) return;
        // Asked for twice, a page that takes its time would begin anew each time.
        if (toolAddress(found)) window.clearInterval(timer);
        open(found);
      }, SCAN_EVERY_MS);
    };
    void start();
    return () => {
      window.clearInterval(timer);
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
  }, []);
  return (
    <div className="mx-auto grid max-w-xl gap-4">
      <h1 className="text-xl font-bold">Scan a label</h1>
      <video ref={video} className="w-full rounded-lg border border-rule bg-black" muted playsInline />
      <p role="status">{told ?? camera}</p>
      <div>
        <FileButton
          words="A photograph of the label"
          accept="image/*"
          onFile={(file) =>
            void createImageBitmap(file)
              .then((picture) =>
                open(codeInPhotograph({ source: picture, width: picture.width, height: picture.height })),
              )
              .catch(() => setTold('This file is no picture that the browser can read.'))
          }
        />
      </div>
    </div>
  );
};
