/** The text of a backup: those that the server keeps are packed. */
export async function unpacked(file: File): Promise<Blob> {
  if (!file.name.endsWith('.gz')) return file;
  try {
    return await new Response(file.stream().pipeThrough(new DecompressionStream('gzip'))).blob();
  } catch (error) {
    if (error instanceof TypeError)
      throw new Error(`“${file.name}” is damaged: it cannot be unpacked.`, { cause: error });
    throw error;
  }
}
