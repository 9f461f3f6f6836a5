import { writeFileSync } from 'node:fs';
import { Browser, PHONE } from '../e2e/browser';
import { Yarrix } from '../e2e/yarrix';
const call = (n: number): string => `/call/00000000-0000-4000-8000-00020000000${n}`;
async function main(): Promise<void> {
  const yarrix = await Yarrix.fresh();
  try {
    const page = await Browser.open(PHONE, (process.argv[3] ?? 'light') as 'light');
    await page.driver.get(`${yarrix.address}${process.argv[2]?.startsWith('/') ? process.argv[2] : call(Number(process.argv[2]))}`);
    let n = 0;
    for (const word of process.argv.slice(4)) {
      if (word === 'pic') {
        await page.driver.sleep(700);
        writeFileSync(`/tmp/pics/${process.argv[2]?.replace(/\W/g, '')}-${n++}.png`, Buffer.from(await page.driver.takeScreenshot(), 'base64'));
      } else if (word.startsWith('fill:')) {
        const [, id = '', text = ''] = word.split(':');
        await page.fill(id, text);
      } else if (word === 'top' || word === 'down') {
        await page.driver.executeScript(`for (const e of document.querySelectorAll('*')) if (e.scrollHeight > e.clientHeight + 40 && getComputedStyle(e).overflowY !== 'visible') e.scrollTop = ${word === 'top' ? 0 : 700}`);
      } else {
        await page.press(word);
        await page.driver.sleep(500);
      }
    }
    await page.close();
  } finally {
    await yarrix.end();
  }
}
void main();
