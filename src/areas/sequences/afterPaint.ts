/** Calls once after the next picture, however often it is asked before. */
export function afterPaint(call: () => void) {
  let frame = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const due = () => {
    frame = 0;
    clearTimeout(timer);
    timer = setTimeout(call);
  };
  return {
    ask: () => {
      if (frame === 0) frame = requestAnimationFrame(due);
    },
    stop: () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    },
  };
}
