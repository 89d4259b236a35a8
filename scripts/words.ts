/** `npm run words [-- part-of-a-path]`: every text that a person reads, with its place, for review; banned words are listed at the end. */
import { bannedIn } from './words/banned';
import { sourcesRead } from './words/sources';

const [part = ''] = process.argv.slice(2);
let count = 0;
for (const { file, wordings } of sourcesRead().filter(({ file }) => file.includes(part))) {
  if (wordings.length === 0) continue;
  console.log(`\n${file}`);
  for (const { line, text } of wordings) console.log(`${String(line).padStart(5)}  ${text.replaceAll(/\s*\n\s*/g, ' ')}`);
  count += wordings.length;
}
const banned = bannedIn().filter(({ place }) => place.includes(part));
console.log(`\n${count} texts; ${banned.length} banned words.`);
for (const { place, found, write } of banned) console.log(`${place}: “${found}”; write: ${write}`);
process.exit(banned.length === 0 ? 0 : 1);
