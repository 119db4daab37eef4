/* Lines and places in pictures. */
export function points(series, width, height, low, high) {
  const n = Math.max(1, series.length - 1);
  return series.map((v, i) => {
    const y = height - (Math.min(high, Math.max(low, v)) - low) / (high - low) * height;
    return (i * width / n).toFixed(1) + ',' + y.toFixed(1);
  }).join(' ');
}

export function time(seconds) {
  return seconds < 60 ? seconds + ' s' : Math.floor(seconds / 60) + ' min ' + seconds % 60 + ' s';
}

/* Where the run is in its picture: the box of the current task, and how far through it. */
export function place(event) {
  const boxes = Array.from(document.querySelectorAll('rect[data-first]'));
  const mine = boxes.filter((b) => {
    const first = Number(b.dataset.first);
    return first >= 0 && event.index >= first && event.index < first + Number(b.dataset.tasks);
  });
  if (mine.length === 0) return 100;
  const transfer = mine.find((b) => b.dataset.transfer === 'true');
  const last = mine[mine.length - 1];
  let box = mine[0];
  if (transfer && event.blocks > 0) box = event.part === 'transfer' ? transfer : last;
  else if (event.part === 'erase') box = mine[1] || box;
  const inside = box === transfer ? event.block / event.blocks : (event.index - Number(box.dataset.first)) / Number(box.dataset.tasks);
  return Number(box.getAttribute('x')) + inside * Number(box.getAttribute('width'));
}
