import { painter, type Told } from './painter';

const paints = painter(
  (picture) => requestAnimationFrame(picture),
  (id) => cancelAnimationFrame(id),
);

self.onmessage = ({ data }: MessageEvent<Told>) => {
  if (data.canvas) paints.on(data.canvas);
  paints.tell(data);
};
