// Hands that can be moved: dragged by pointer, turned by arrow keys, put by numbers. It only reports where the hands are;
// what that means the server knows.
(() => {
  const round = { hour: 12, minute: 60 };
  const steps = { hour: { ArrowRight: 0.05, PageUp: 1, small: 0.01 }, minute: { ArrowRight: 1, PageUp: 5, small: 0.2 } };
  let dragged = null;

  const field = (name) => document.querySelector(`[data-hand-value="${name}"]`);
  const handOf = (board, name) => board.querySelector(`[data-hand="${name}"]`);
  const place = (board, name) => Number(handOf(board, name)?.getAttribute("aria-valuenow") ?? 0);
  const wrap = (at, size) => ((at % size) + size) % size;

  function show(board, name, at) {
    const hand = handOf(board, name);
    if (!hand) return;
    const size = round[name];
    let wrapped = wrap(at, size).toFixed(name === "hour" ? 3 : 2);
    if (Number(wrapped) === size) wrapped = "0";
    const numeral = (Number(wrapped) / size) * 12;
    hand.setAttribute("transform", `rotate(${(numeral * 30).toFixed(2)})`);
    hand.setAttribute("aria-valuenow", wrapped);
    hand.setAttribute("aria-valuetext", spoken(numeral));
    const value = field(name);
    if (value) {
      value.value = Number(wrapped).toFixed(2);
      value.disabled = false;
    }
  }

  // While a hand turns, and once more when it rests.
  let resting;
  function tell(board) {
    const say = (what) =>
      board.dispatchEvent(
        new CustomEvent(`umbick:${what}`, { bubbles: true, detail: { hour: place(board, "hour"), minute: place(board, "minute") } }),
      );
    say("turned");
    clearTimeout(resting);
    resting = setTimeout(() => say("rested"), 150);
  }

  // The hands of a real clock go together: twelve turns of the long one are one of the short one, either way round.
  function move(board, name, by) {
    const at = place(board, name) + by;
    if (board.dataset.geared !== "yes") {
      show(board, name, at);
      return tell(board);
    }
    const hour = name === "hour" ? at : place(board, "hour") + by / 60;
    const minute = name === "minute" ? at : wrap(hour, 1) * 60;
    // The short hand's place follows from the long one's, so that rounding never lets them drift apart.
    const full = Math.round(wrap(hour, 12) - wrap(minute, 60) / 60);
    show(board, "minute", minute);
    show(board, "hour", wrap(full, 12) + wrap(minute, 60) / 60);
    tell(board);
  }

  // By so many minutes: loose hands are turned as if they went together from where they are.
  document.addEventListener("umbick:turn", (event) => {
    const board = event.target.closest("[data-hands]");
    if (board.dataset.geared === "yes") return move(board, "minute", event.detail.by);
    show(board, "hour", place(board, "hour") + event.detail.by / 60);
    show(board, "minute", place(board, "minute") + event.detail.by);
    tell(board);
  });

  document.addEventListener("umbick:put", (event) => {
    const board = event.target.closest("[data-hands]");
    show(board, "hour", event.detail.hour);
    show(board, "minute", event.detail.minute);
    tell(board);
  });

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
  function grabbed(board, at) {
    if (!handOf(board, "minute")) return "hour";
    if (!handOf(board, "hour")) return "minute";
    const hour = apart(at.turn, place(board, "hour") * 30);
    const minute = apart(at.turn, place(board, "minute") * 6);
    const near = 14;
    // The hand's shape is drawn by the server, and so is its length.
    const reach = Number(board.dataset.hourReach);
    if (hour < near && minute < near) return at.radius > reach ? "minute" : "hour";
    return hour < minute && at.radius < reach + 25 ? "hour" : "minute";
  }

  document.addEventListener("pointerdown", (event) => {
    const board = event.target.closest?.("[data-hands]");
    if (!board || !board.querySelector("[data-hand]")) return;
    event.preventDefault();
    const at = pointed(board, event);
    const name = grabbed(board, at);
    dragged = { board, name, turn: at.turn, id: event.pointerId };
    board.setPointerCapture(event.pointerId);
    handOf(board, name).focus({ focusVisible: false });
    // To touch a hand is to say that it is right where it is.
    move(board, name, 0);
  });

  // The hand moves by as much as the finger: touching it does not move it, and it goes on across the 12.
  document.addEventListener("pointermove", (event) => {
    if (!dragged || event.pointerId !== dragged.id) return;
    const turn = pointed(dragged.board, event).turn;
    const by = ((turn - dragged.turn + 540) % 360) - 180;
    dragged.turn = turn;
    if (by !== 0) move(dragged.board, dragged.name, (by * round[dragged.name]) / 360);
  });

  for (const end of ["pointerup", "pointercancel"])
    document.addEventListener(end, () => {
      dragged = null;
    });

  document.addEventListener("keydown", (event) => {
    const name = event.target.dataset?.hand;
    if (!name) return;
    const board = event.target.closest("[data-hands]");
    const { ArrowRight: one, PageUp: many, small } = steps[name];
    const step = event.shiftKey ? small : one;
    const by = { ArrowRight: step, ArrowUp: step, ArrowLeft: -step, ArrowDown: -step, PageUp: many, PageDown: -many }[event.key];
    if (event.key === " ") move(board, name, 0);
    else if (event.key === "Home") move(board, name, -place(board, name));
    else if (by !== undefined) move(board, name, by);
    else return;
    event.preventDefault();
  });

  document.addEventListener("input", (event) => {
    const name = event.target.dataset?.put;
    const at = Number(event.target.value.replace(",", "."));
    const board = document.querySelector("[data-hands]");
    if (name && board && event.target.value !== "" && at >= 0 && at <= round[name]) move(board, name, at - place(board, name));
  });
})();
