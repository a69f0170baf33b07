// What waits, what was refused, and what could not be reached: each in one plain line, on every page that sends.
globalThis.Notices = (() => {
  const child = document.body.classList.contains("child-side");
  const bar = () => document.getElementById("waiting");
  const alertLine = () => document.getElementById("trouble");

  const count = (number, what) => (number === 1 ? (child ? `Your ${what} is` : `1 ${what} is`) : `${number} ${what}s are`);

  function line(trouble, number, safe) {
    const kept = safe ? "kept on this device" : "kept while this page stays open";
    const answers = count(number, "answer");
    if (trouble === "signed-out")
      return child
        ? `This device was taken back, or its time is over. ${answers} ${kept}. Ask your teacher for a new code.`
        : `You are signed out. ${answers} ${kept}. Sign in again, and what waits goes by itself.`;
    const why =
      { lost: "No connection.", slow: "There is no reply yet.", failed: "Something is wrong at the other end." }[trouble] ?? "Sending.";
    return `${why} ${answers} ${kept}, and ${number === 1 ? "goes" : "go"} as soon as ${number === 1 ? "it" : "they"} can.`;
  }

  function part(tag, text, data = {}) {
    const element = document.createElement(tag);
    element.textContent = text;
    Object.assign(element.dataset, data);
    return element;
  }

  // quiet: for how long a first try may take before anything is said.
  function show(queue, { others = 0 } = {}) {
    const [waiting, refused] = [queue.waiting(), queue.refused()];
    const parts = [];
    if (waiting.length > 0 && queue.trouble) {
      parts.push(part("p", line(queue.trouble, waiting.length, queue.isSafe)));
      if (queue.trouble === "signed-out" && !child) {
        const link = part("a", "Sign in");
        Object.assign(link, { href: "/", target: "_blank", className: "link" });
        parts.push(link);
      }
    }
    for (const entry of refused) {
      const row = part("p", `${entry.said ? `“${entry.said}” was not kept. ` : "One answer was not kept. "}${entry.reason ?? ""} `, {
        refused: entry.id,
      });
      const seen = part("button", "I have seen this", { dismiss: entry.id });
      Object.assign(seen, { type: "button", className: "as-link" });
      row.append(seen);
      parts.push(row);
    }
    if (others > 0 && child)
      parts.push(
        part(
          "p",
          others === 1
            ? "An answer of another child waits on this device. A code for that child sends it."
            : `${others} answers of another child wait on this device. A code for that child sends them.`,
          { others },
        ),
      );
    const shown = parts.map((notice) => notice.outerHTML).join("");
    if (bar().dataset.shown !== shown) {
      bar().replaceChildren(...parts);
      bar().dataset.shown = shown;
    }
    bar().dataset.waiting = waiting.length;
    bar().hidden = parts.length === 0;
  }

  // A press that stays in sight stands above what is told, and is not covered by it.
  const stack = document.querySelector(".notices");
  if (stack) new ResizeObserver(() => document.documentElement.style.setProperty("--notices", `${stack.offsetHeight}px`)).observe(stack);

  // A request that changed nothing because it did not arrive. What repeats itself catches up by itself.
  function tell(text) {
    alertLine().textContent = text;
    alertLine().hidden = text === "";
  }

  const repeats = (event) => event.detail.elt?.matches?.("[data-watch]");
  const looks = (event) => event.detail.requestConfig?.verb === "get";
  const lost = (event, why) => {
    if (repeats(event)) tell(`${why} This page catches up by itself.`);
    else tell(looks(event) ? `${why} What stands here is of before.` : `${why} Nothing was changed: press again.`);
  };
  document.addEventListener("htmx:sendError", (event) => lost(event, "No connection."));
  document.addEventListener("htmx:timeout", (event) => lost(event, "There is no reply yet."));
  document.addEventListener("htmx:responseError", (event) => {
    if (event.detail.xhr.status === 401)
      tell(
        child
          ? "This device was taken back, or its time is over. Ask your teacher for a new code."
          : "You are signed out. What is on this page stays; sign in again in another window, and go on here.",
      );
    else if (event.detail.xhr.status !== 404) lost(event, "Something is wrong at the other end.");
  });
  document.addEventListener("htmx:afterOnLoad", (event) => {
    if (event.detail.successful) tell("");
  });

  return { show, tell };
})();
