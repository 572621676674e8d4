import { chromium } from '@playwright/test';
const [,, url, out, w='1280', h='800', dark] = process.argv;
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--disable-background-networking']});
const p = await b.newPage({viewport:{width:+w,height:+h}, colorScheme: dark?'dark':'light'});
await p.goto(url); await p.waitForTimeout(1500); await p.screenshot({path:out}); await b.close();
