import cv from '@techstark/opencv-js';

export type OpenCv = typeof cv;
export type Picture = InstanceType<OpenCv['Mat']>;

let compiled: Promise<void> | undefined;

/** OpenCV, once it is compiled. In a box of its own: the package has a `then` that never comes to an end when it is awaited. */
export async function openCv(): Promise<{ cv: OpenCv }> {
  compiled ??= new Promise<void>((ready) => {
    if (cv.Mat) ready();
    else cv.onRuntimeInitialized = () => ready();
  });
  await compiled;
  return { cv };
}

/** What lies in the memory of the image package, which frees nothing by itself. */
interface Freed {
  delete(): void;
}

/** Calls a function that keeps pictures while it works; they are freed when it has ended, however it ends. */
export function whileKept<T>(work: (keep: <P extends Freed>(picture: P) => P) => T): T {
  const kept: Freed[] = [];
  try {
    return work((picture) => {
      kept.push(picture);
      return picture;
    });
  } finally {
    for (const each of kept.reverse()) each.delete();
  }
}
