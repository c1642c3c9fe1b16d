/** The stand-ins' own page: one row a device, a button to press. Plain HTML, for it stands in for hardware. */
export const page = `<!doctype html>
<html lang="en-GB"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Stand-in gauges</title>
<style>
body{font:17px/1.5 system-ui,sans-serif;margin:2rem auto;max-width:46rem;padding:0 1rem;background:#eceff0;color:#1f1714}
h1{font-size:1.5rem}table{border-collapse:collapse;width:100%}td,th{padding:.35rem .5rem;text-align:left;border-top:1px solid #b9c0c2}
button{font:inherit;min-height:44px;padding:0 .9rem;border:1px solid #1d5f52;background:#1d5f52;color:#fff;border-radius:6px;cursor:pointer}
button.quiet{background:none;color:#1d5f52}button:disabled{opacity:.45;cursor:default}
input{font:inherit;width:6.5rem;min-height:44px;padding:0 .5rem;border:1px solid #6b7476;border-radius:6px}
:focus-visible{outline:3px solid #8a5a00;outline-offset:2px}#said{min-height:1.6rem;font-variant-numeric:tabular-nums}
</style></head><body><main>
<h1>Stand-in gauges</h1>
<p>These play the devices of a bench on the made-up instruments of the demo. <strong id="aim"></strong></p>
<p id="said" role="status"></p>
<table><thead><tr><th>Gauge</th><th>Show instead</th><th>Press</th><th>Faults</th></tr></thead><tbody id="rows"></tbody></table>
<script>
const rows=document.getElementById('rows'),said=document.getElementById('said'),aim=document.getElementById('aim');
let drawn='';
const press=async(gauge,action,value)=>{const r=await fetch('/press',{method:'POST',body:JSON.stringify({gauge,action,value})});
const b=await r.json();said.textContent=b.said||b.message;refresh()};
const draw=s=>{rows.replaceChildren(...s.gauges.map(g=>{const tr=document.createElement('tr');
const cell=(...n)=>{const td=document.createElement('td');td.append(...n);tr.append(td)};
const button=(text,action,quiet,off)=>{const b=document.createElement('button');b.textContent=text;b.className=quiet?'quiet':'';b.disabled=off;
b.setAttribute('aria-label',text+' '+g.name);b.onclick=()=>press(g.gauge,action,box.value);return b};
const box=document.createElement('input');box.inputMode='decimal';box.setAttribute('aria-label','Show instead, '+g.name);
cell(g.name);cell(box);cell(button('Send','send',false,!g.plugged));
cell(button(g.plugged?'Unplug':'Plug in','unplug',true,false),' ',button('Garbage','garbage',true,!g.plugged),' ',button('Flood','flood',true,!g.plugged||!g.fits));
return tr}))};
const refresh=async()=>{const s=await(await fetch('/state')).json();
aim.textContent=s.listening===0?'Nobody is listening.':s.aim?'The bench asks for '+s.aim.point.measure+' of '+s.aim.point.part+' on '+s.aim.ticket+'.':'The bench asks for nothing yet.';
const shape=JSON.stringify(s.gauges);if(shape!==drawn){drawn=shape;draw(s)}};
refresh();setInterval(refresh,1500);
</script></main></body></html>`;
