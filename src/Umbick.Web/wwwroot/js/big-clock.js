// The big clock: what is laid over it, steps, the day, the number line, and the positions of a demonstration. It moves and shows; what
// hands mean the server says.
(() => {
  const big = document.querySelector("[data-big]");
  if (!big) return;
  const board = big.querySelector("[data-hands]");
  const $ = (css) => big.querySelector(css);
  const value = (name) => Number(board.querySelector(`[data-hand="${name}"]`).getAttribute("aria-valuenow"));
  const turn = (by) => board.dispatchEvent(new CustomEvent("umbick:turn", { bubbles: true, detail: { by } }));
  const put = (hour, minute) => board.dispatchEvent(new CustomEvent("umbick:put", { bubbles: true, detail: { hour, minute } }));
  const tell = (text) => {
    $("[data-told]").textContent = text;
  };

  // What is shown
  const shown = new Set();
  function show(what, yes) {
    if (yes) shown.add(what);
    else shown.delete(what);
    big.dataset.show = [...shown].join(" ");
    const box = $(`[data-toggle="${what}"]`);
    if (box) box.checked = yes;
    if (what === "day") {
      $("[data-afternoon]").disabled = !yes;
      refresh();
    }
  }
  const refresh = () => board.dispatchEvent(new CustomEvent("umbick:rested", { bubbles: true }));
  function cover(which) {
    for (const hand of ["hour", "minute"]) show(`without-${hand}`, hand === which);
    $("[data-cover]").value = which;
  }
  function gear(yes) {
    board.dataset.geared = yes ? "yes" : "no";
    $("[data-gears]").value = board.dataset.geared;
    $("[data-how]").textContent = yes
      ? "Its hands go together, as those of a real clock do."
      : "Its hands are loose: each goes where you put it.";
  }

  big.addEventListener("change", (event) => {
    const { toggle } = event.target.dataset;
    if (toggle) show(toggle, event.target.checked);
    if (event.target.matches("[data-cover]")) cover(event.target.value);
    if (event.target.matches("[data-gears]")) {
      gear(event.target.value === "yes");
      // Hands that go together again are put to a time: the short one follows the long one.
      if (event.target.value === "yes") turn(0);
    }
    if (event.target.matches("[data-colours]"))
      board.setAttribute("class", board.getAttribute("class").replace(/hands-(?!board)[a-z-]+/, `hands-${event.target.value}`));
  });

  // The hour's space, and the half of the day, follow the hands.
  let lastHour = value("hour");
  let afternoon = false;
  function follow() {
    const hour = value("hour");
    $("[data-space]").setAttribute("transform", `rotate(${Math.floor(hour + 1e-3) * 30})`);
    // Over the top, either way: by less than half a round.
    if (Math.abs(hour - lastHour) > 6) afternoon = !afternoon;
    lastHour = hour;
    const field = $("[data-afternoon]");
    field.value = String(afternoon);
    const day = (afternoon ? 12 : 0) + hour;
    $("[data-day-marker]").setAttribute("transform", `translate(${(4 + (day * 232) / 24).toFixed(1)} 0)`);
  }
  document.addEventListener("umbick:turned", follow, true);
  follow();

  // The number line: an arc of so much bend, from straight to a whole round, that begins at the top when it is round.
  const radius = 99;
  function bend(share) {
    const whole = 2 * Math.PI * radius;
    const length = 236 + (whole - 236) * share;
    const angle = 2 * Math.PI * share;
    const start = -118 * (1 - share);
    const top = -radius - 20 * (1 - share);
    const at = (minute) => {
      const along = (length * minute) / 60;
      const curve = angle / length;
      const turned = along * curve;
      return curve < 1e-6
        ? { x: start + along, y: top, turned: 0 }
        : { x: start + Math.sin(turned) / curve, y: top + (1 - Math.cos(turned)) / curve, turned };
    };
    const points = Array.from({ length: 121 }, (_, i) => at(i / 2));
    $("[data-line]").setAttribute("d", `M${points.map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`).join(" L")}`);
    for (const tick of big.querySelectorAll("[data-line-tick]")) {
      const minute = Number(tick.dataset.lineTick);
      const { x, y, turned } = at(minute);
      const long = minute % 5 === 0 ? 7 : 4;
      tick.setAttribute("x1", x.toFixed(2));
      tick.setAttribute("y1", y.toFixed(2));
      tick.setAttribute("x2", (x + Math.sin(turned) * long).toFixed(2));
      tick.setAttribute("y2", (y - Math.cos(turned) * long).toFixed(2));
    }
    for (const number of big.querySelectorAll("[data-line-number]")) {
      const minute = Number(number.dataset.lineNumber);
      const { x, y, turned } = at(minute);
      // Where the ends meet nought and sixty would lie on each other.
      const out = minute === 60 && share > 0.9 ? 25 : 14;
      number.setAttribute("x", (x + Math.sin(turned) * out).toFixed(2));
      number.setAttribute("y", (y - Math.cos(turned) * out).toFixed(2));
    }
  }
  $("[data-bend]").addEventListener("input", (event) => bend(Number(event.target.value) / 100));
  bend(1);

  // Counting in fives, at the teacher's pace.
  let counted = null;
  function count() {
    const next = counted === null ? Number(big.dataset.countFrom) : counted + 5;
    if (next > 60) return;
    counted = next;
    const place = board.querySelector(`[data-minute="${next % 60}"]`);
    place.textContent = String(next);
    place.classList.add("lit");
    tell(String(next));
  }
  function countAgain() {
    counted = null;
    for (const place of board.querySelectorAll("[data-minute]")) {
      place.classList.remove("lit");
      place.textContent = place.dataset.minute;
    }
    tell("");
  }

  // A quiet minute: the thin hand goes round once.
  let quiet = 0;
  function quietMinute() {
    clearInterval(quiet);
    show("second", true);
    tell("Watch the thin hand go round once.");
    const began = performance.now();
    quiet = setInterval(() => {
      const seconds = Math.floor((performance.now() - began) / 1000);
      $("[data-second]").setAttribute("transform", `rotate(${(seconds % 60) * 6})`);
      if (seconds < 60) return;
      clearInterval(quiet);
      tell("That was a minute.");
    }, 200);
  }

  // The positions of a demonstration: the children show where the hands will be, the hands turn, ask, tell, and on; at the end it is
  // theirs to turn.
  const positions = [...big.querySelectorAll("[data-position]")];
  let at = 0;
  let between = false;
  function stand(hook, text) {
    for (const line of big.querySelectorAll("[data-predicting], [data-own-turn]")) line.hidden = !line.matches(hook);
    if (text) $(hook).textContent = text;
    between = true;
    positions[at].hidden = true;
  }
  function predict() {
    stand("[data-predicting]", positions[at + 1].dataset.predict);
    $("[data-go-on]").textContent = $("[data-go-on]").dataset.turnIt;
  }
  function ownTurn() {
    stand("[data-own-turn]");
    gear(positions[0].dataset.true === "yes");
    cover("");
    put(Number(positions[0].dataset.hour), Number(positions[0].dataset.minute));
    $("[data-go-on]").textContent = $("[data-go-on]").dataset.last;
  }
  function position(to) {
    at = to;
    between = false;
    for (const line of big.querySelectorAll("[data-predicting], [data-own-turn]")) line.hidden = true;
    positions.forEach((other, i) => {
      other.hidden = i !== at;
    });
    const now = positions[at];
    now.querySelector("[data-say]").hidden = true;
    $("[data-go-on]").textContent = $("[data-go-on]").dataset.reveal;
    gear(now.dataset.true === "yes");
    cover(now.dataset.covers === "neither" ? "" : now.dataset.covers);
    put(Number(now.dataset.hour), Number(now.dataset.minute));
  }
  function goOn() {
    if (positions.length === 0) return;
    const say = positions[at].querySelector("[data-say]");
    const isLast = at + 1 === positions.length;
    if (between) position((at + 1) % positions.length);
    else if (say.hidden) {
      say.hidden = false;
      cover("");
      const press = $("[data-go-on]");
      press.textContent = isLast ? press.dataset.own : press.dataset.next;
    } else if (isLast) ownTurn();
    else if (positions[at + 1].dataset.predict) predict();
    else position(at + 1);
  }
  if (positions.length > 0) position(0);

  function wholeScreen() {
    if (document.fullscreenElement) document.exitFullscreen();
    else big.requestFullscreen?.();
  }

  big.addEventListener("click", (event) => {
    const hit = (hook) => event.target.closest(`[${hook}]`);
    if (hit("data-turn")) turn(Number(hit("data-turn").dataset.turn));
    else if (hit("data-count-again")) countAgain();
    else if (hit("data-count")) count();
    else if (hit("data-quiet-minute")) quietMinute();
    else if (hit("data-full")) wholeScreen();
    else if (hit("data-go-on")) goOn();
    else if (hit("data-go-back")) position(between ? at : Math.max(0, at - 1));
    else if (hit("data-impossible")) {
      gear(false);
      put(Math.floor(value("hour") + 1e-3), value("minute") < 15 ? 45 : value("minute"));
      tell("Can that be?");
    }
  });

  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest?.("input, select, textarea, [data-hand], summary")) return;
    const back = event.shiftKey ? -1 : 1;
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowUp: 5, ArrowDown: -5, q: 15 * back, h: 30 * back, o: 60 * back }[
      event.key.length === 1 ? event.key.toLowerCase() : event.key
    ];
    if (by !== undefined) turn(by);
    else if (event.key === "n" || (event.key === "Enter" && !event.repeat && !event.target.closest?.("a, button"))) goOn();
    else if (event.key === "c") count();
    else if (event.key === "f") wholeScreen();
    else return;
    event.preventDefault();
  });
})();
