// Compresses what is sent as text, once and as small as it goes; the server sends these to every browser that can read them.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { brotliCompressSync, constants } from 'node:zlib';

const root = new URL('../../src/MildHunch.Web/wwwroot/', import.meta.url);
const texts = /\.(js|css|html|svg|json|webmanifest)$/;

for (const file of readdirSync(root, { recursive: true })) {
  if (!texts.test(file) || file.startsWith('.vite')) continue;
  const content = readFileSync(new URL(file, root));
  const small = brotliCompressSync(content, {
    params: {
      [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY,
      [constants.BROTLI_PARAM_SIZE_HINT]: content.length,
    },
  });
  if (small.length < content.length) writeFileSync(new URL(`${file}.br`, root), small);
}
