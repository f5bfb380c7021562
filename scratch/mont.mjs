import sharp from 'sharp'
const ids=['speed','read-test','write-test','wire','sweep','scope','blame','reading','strobe']
const parts = await Promise.all(ids.map(async (i,n)=>({input: await sharp(`/tmp/shot-p-${i}.png`).resize(640,400).toBuffer(), left:(n%3)*640, top:Math.floor(n/3)*400})))
await sharp({create:{width:1920,height:1200,channels:3,background:'#fff'}}).composite(parts).png().toFile('/tmp/shot-montage.png')
