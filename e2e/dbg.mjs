import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { chromium } from '@playwright/test';
export async function go({now='2027-02-20T19:30', samples='first-time', width=1280, height=800}={}, work){
 const data=mkdtempSync('/tmp/fx-');
 const child=spawn(process.execPath,['packages/server/dist/main.mjs'],{env:{...process.env,PORT:'0',FIXATUM_DATA:data,FIXATUM_NOW:now,FIXATUM_SAMPLES:samples}});
 const url=await new Promise(d=>{let s='';const f=c=>{s+=c;const m=/http:\/\/localhost:(\d+)/.exec(s); if(m)d(m[0])};child.stdout.on('data',f);child.stderr.on('data',f)});
 const browser=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--disable-quic','--no-first-run','--disable-background-networking','--disable-component-update','--disable-sync']});
 const page=await browser.newPage({viewport:{width,height},locale:'en-GB',timezoneId:'Europe/Lisbon'});
 page.on('console',m=>{if(m.type()==='error')console.log('console:',m.text())}); page.on('pageerror',e=>console.log('pageerror',e.message));
 try{ await work({page,url,shot:(n)=>page.screenshot({path:`/tmp/shots/${n}.png`})}); } catch(e){console.log('FAILED',e.message); await page.screenshot({path:'/tmp/shots/failed.png'})} finally { await browser.close(); child.kill(); }
}
