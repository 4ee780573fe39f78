import { toast } from './toast.ts';

/**
 * Through the device’s own share sheet: words for people, and the whole in a file where the device passes files on. Without a share sheet the words are
 * copied. Who closes the sheet has not failed.
 */
export async function share({ title, text, file }: { title: string; text: string; file?: File }): Promise<void> {
  try {
    const withFile = file && navigator.canShare?.({ files: [file] }) ? { files: [file] } : {};
    if (navigator.share) await navigator.share({ title, text, ...withFile });
    else {
      await navigator.clipboard.writeText(text);
      toast('Copied: paste it into a message.');
    }
  } catch (error) {
    if (!(error instanceof DOMException && error.name === 'AbortError'))
      toast.error('This device does not let it be passed on or copied. Print it instead.');
  }
}
