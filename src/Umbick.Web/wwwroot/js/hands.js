// Loose hands: dragged by pointer, turned by arrow keys. It only reports where the hands are; what that means the server knows.
(() => {
  const round = { hour: 12, minute: 60 };
  const steps = { hour: { ArrowRight: 0.05, PageUp: 1, small: 0.01 }, minute: { ArrowRight: 1, PageUp: 5, small: 0.2 } };
  const hourHandLength = 56;
  let dragged = null;

  const value = (name) => document.querySelector(`[data-hand-value="${name}"]`);
  const place = (name) => Number(value(name)?.value ?? 0);

  function put(name, at) {
    const size = round[name];
    const wrapped = (((at % size) + size) % size).toFixed(2);
    const field = value(name);
    const hand = document.querySelector(`[data-hands] [data-hand="${name}"]`);
    if (!field || !hand) return;
    field.value = Number(wrapped) === size ? "0" : wrapped;
    const numeral = (Number(wrapped) / size) * 12;
    hand.setAttribute("transform", `rotate(${(numeral * 30).toFixed(2)})`);
    hand.setAttribute("aria-valuenow", wrapped);
    hand.setAttribute("aria-valuetext", spoken(numeral));
  }

  // Where a hand points, said by the numerals beside it.
  function spoken(numeral) {
    const before = Math.floor(numeral + 0.02);
    const into = numeral - before;
    const name = (n) => ((n + 11) % 12) + 1;
    return into < 0.03 ? `at ${name(before)}` : `between ${name(before)} and ${name(before + 1)}`;
  }

  function pointed(board, event) {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(board.getScreenCTM().inverse());
    const degrees = (Math.atan2(point.x, -point.y) * 180) / Math.PI;
    return { turn: (degrees + 360) % 360, radius: Math.hypot(point.x, point.y) };
  }

  const apart = (a, b) => Math.min(Math.abs(a - b), 360 - Math.abs(a - b));

  // Where the hands overlap, beyond the short one's tip is the long one.
  function grabbed(at) {
    const hour = apart(at.turn, place("hour") * 30);
    const minute = apart(at.turn, place("minute") * 6);
    const near = 14;
    if (hour < near && minute < near) return at.radius > hourHandLength ? "minute" : "hour";
    return hour < minute && at.radius < hourHandLength + 25 ? "hour" : "minute";
  }

  document.addEventListener("pointerdown", (event) => {
    const board = event.target.closest?.("[data-hands]");
    if (!board) return;
    event.preventDefault();
    const at = pointed(board, event);
    const name = grabbed(at);
    // The hand keeps its distance to the finger, so that touching it does not move it.
    dragged = { board, name, off: place(name) * (360 / round[name]) - at.turn, id: event.pointerId };
    board.setPointerCapture(event.pointerId);
    board.querySelector(`[data-hand="${name}"]`).focus({ focusVisible: false });
  });

  document.addEventListener("pointermove", (event) => {
    if (!dragged || event.pointerId !== dragged.id) return;
    put(dragged.name, ((pointed(dragged.board, event).turn + dragged.off) * round[dragged.name]) / 360);
  });

  for (const end of ["pointerup", "pointercancel"]) document.addEventListener(end, () => { dragged = null; });

  document.addEventListener("keydown", (event) => {
    const name = event.target.dataset?.hand;
    if (!name) return;
    const { ArrowRight: one, PageUp: many, small } = steps[name];
    const step = event.shiftKey ? small : one;
    const by = { ArrowRight: step, ArrowUp: step, ArrowLeft: -step, ArrowDown: -step, PageUp: many, PageDown: -many }[event.key];
    if (event.key === "Home") put(name, 0);
    else if (by !== undefined) put(name, place(name) + by);
    else return;
    event.preventDefault();
  });
})();
