/** Hands a made file to the browser's downloads, named after what it shows. */
export function saveFile(made: Blob, title: string, ending: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(made);
  link.download = `${title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')}.${ending}`;
  link.click();
  URL.revokeObjectURL(link.href);
}
