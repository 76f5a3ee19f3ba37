import { chromium } from "@playwright/test";
const b = await chromium.launch({executablePath:"/usr/bin/chromium-headless-shell", args:["--no-sandbox"]});
const jobs = await (await fetch("http://localhost:4555/api/v1/jobs")).json();
let url;
for (const j of jobs.rows ?? jobs.jobs) { const c = await (await fetch(`http://localhost:4555/api/v1/jobs/${j.id}/closures`)).json(); if (c.closures?.[0]) { url = `http://localhost:4555/jobs/${j.id}/closures/${c.closures[0].id}`; break; } }
console.log(url);
const p = await b.newPage({viewport:{width:1280,height:800}});
for (const [n,path] of [["closure",""],["splices","/splices"],["work","/work"]]) { await p.goto(url+path); await p.waitForTimeout(900); await p.screenshot({path:`/tmp/s-${n}.png`}); }
await p.goto(url+"/work"); await p.getByRole("button",{name:/^Splices/}).first().click(); await p.waitForTimeout(500); await p.screenshot({path:"/tmp/s-work2.png", fullPage:true});
await p.setViewportSize({width:390,height:844}); await p.goto(url+"/work"); await p.getByRole("button",{name:/^Splices/}).first().click(); await p.waitForTimeout(700); await p.screenshot({path:"/tmp/s-work-phone.png", fullPage:true});
await p.goto(url+"/splices"); await p.waitForTimeout(700); await p.screenshot({path:"/tmp/s-splices-phone.png", fullPage:true});
await b.close();
