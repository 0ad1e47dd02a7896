/** A picture as TIFF with its physical size. Source: TIFF Revision 6.0 (1992). */

import type { IFD } from 'utif2';

/** Tags that say how many dots there are to the inch, and what made the file. */
const tags = { xResolution: 't282', yResolution: 't283', unit: 't296', software: 't305' };

/** @param rgba four bytes a dot, row by row @param dpi dots per inch */
export async function tiffFile(rgba: Uint8Array, width: number, height: number, dpi: number): Promise<ArrayBuffer> {
  const { default: tiff } = await import('utif2');
  // Its types ask for the picture itself among the tags, which it is given beside them.
  const said = {
    [tags.xResolution]: [[dpi, 1]],
    [tags.yResolution]: [[dpi, 1]],
    [tags.unit]: [2],
    [tags.software]: ['Divide'],
  } as unknown as IFD;
  return tiff.encodeImage(rgba, width, height, said);
}
