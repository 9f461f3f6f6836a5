/** Gives the person a file. */
export const saveAs = (name: string, type: string, text: string): void =>
  saveFile(name, new Blob([text], { type }));

export function saveFile(name: string, file: Blob): void {
  const url = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** Gives a file to whoever the device knows; where it knows nobody, to the person. @returns false where it was called off */
export async function shareFile(name: string, file: Blob): Promise<boolean> {
  const files = [new File([file], name, { type: file.type })];
  if (typeof navigator.canShare !== 'function' || !navigator.canShare({ files })) {
    saveFile(name, file);
    return true;
  }
  try {
    await navigator.share({ files });
    return true;
  } catch (error) {
    if (error instanceof Error && error.name === 'AbortError') return false;
    saveFile(name, file);
    return true;
  }
}
