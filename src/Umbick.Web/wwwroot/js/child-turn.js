// The child's side: an answer is sent through the queue, the next question comes in its place, a list goes on without a connection.
(() => {
  const { queue, heard, reasonIn } = Sending;
  const turn = () => document.getElementById("turn");
  const placeOf = (part) => part?.querySelector("[name=place]")?.value;
  const lastWaiting = () => Math.max(...queue.waiting().map((entry) => Number(AnswerQueue.value(entry, "place") ?? 0)));
  // Nobody reads a clock in a third of a second: such a press was meant for the question before.
  const [unseen, again] = [300, 600];
  let shown = performance.now();
  let begun = null;
  let pressed = -Infinity;
  let sending = null;
  let held = null;
  let ahead = [];

  function fresh() {
    shown = performance.now();
    begun = null;
    held = null;
    sending = null;
    const now = turn();
    (now.querySelector("[autofocus]") ?? now.querySelector("h1"))?.focus();
    setTimeout(
      () => {
        now.dataset.open = "yes";
      },
      Math.max(unseen, again - (shown - pressed)),
    );
    speaker();
  }

  function show(part) {
    turn().replaceWith(part);
    htmx.process(turn());
    fresh();
    document.dispatchEvent(new Event("umbick:question"));
  }

  function parsed(html) {
    const holder = document.createElement("template");
    holder.innerHTML = html;
    return holder.content.querySelector("#turn");
  }

  const after = (place) => ahead.find((question) => question.place > place);

  // On with what is here; where nothing is, what was given stays as it was given.
  function goOn(next) {
    if (!next) return document.dispatchEvent(new Event("umbick:waits"));
    const id = sending;
    show(parsed(next.html));
    if (id) queue.note(id, "later", "true");
  }

  function lock(form, locked) {
    turn().dataset.sending = locked ? "yes" : "no";
    // A hand that nobody touched is shut in any case, and stays so.
    for (const part of form.querySelectorAll(locked ? ":is(button, input, fieldset):not(:disabled)" : "[data-locked]")) {
      part.toggleAttribute("data-locked", locked);
      part.disabled = locked;
    }
  }

  const seconds = (at) => ((at - shown) / 1000).toFixed(1);

  function fieldsOf(form, submitter) {
    const fields = [...new FormData(form, submitter).entries()].filter(([name]) => name !== "__RequestVerificationToken");
    if (form.dataset.timed === "yes") {
      fields.push(["seconds", seconds(performance.now())]);
      // Where one press is the whole answer, it begins and ends with it.
      fields.push(["begun", seconds(begun ?? performance.now())]);
    }
    return fields;
  }

  document.addEventListener(
    "submit",
    async (event) => {
      const form = event.target;
      if (!form.closest("#turn")) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      const now = performance.now();
      // Where nothing was put in yet, so soon a press cannot be meant for this question.
      const early = sending !== null || (begun === null && (now - shown < unseen || now - pressed < again));
      pressed = now;
      if (early) return;
      const fields = fieldsOf(form, event.submitter);
      const id = AnswerQueue.value({ fields }, "answer");
      sending = id;
      lock(form, true);
      const reply = await queue.submit(form.getAttribute("action"), fields);
      if (sending !== id) return;
      if (reply.outcome === "kept") return show(parsed(reply.body));
      if (reply.outcome === "refused") {
        queue.dismiss(id);
        return reply.status === 409 ? show(parsed(reply.body)) : tell(form, reply.body);
      }
      goOn(after(Number(placeOf(form))));
    },
    true,
  );

  // What has to be mended stands as it was put in, with what is wrong with it; sent again, it is another answer.
  function tell(form, body) {
    sending = null;
    lock(form, false);
    form.querySelector("[data-told]").textContent = reasonIn(body);
    form.querySelector("[data-told]").className = "told mb-4";
    form.querySelector("[name=answer]").value = AnswerQueue.id();
    // Where a hand was left alone, that hand is what is missing.
    const left = turn().querySelector("[data-hand-value]:disabled")?.dataset.handValue;
    const hand = turn().querySelector(left ? `[data-hand="${left}"]` : "[data-hand]");
    form.querySelector("[data-entry]")?.setAttribute("aria-invalid", "true");
    (hand ?? form.querySelector("[data-entry]"))?.focus();
  }

  // A page may come while answers cannot go: it then opens after the last that was given, and not where the server last heard of the child.
  function catchUp() {
    const last = lastWaiting();
    if (Number(placeOf(turn()) ?? Infinity) > last) return;
    const form = document.getElementById("answer-form");
    const next = after(last);
    if (next) show(parsed(next.html));
    else if (form) lock(form, true);
  }

  // A list that was made before is fetched whole, once, so that it can go on without a connection.
  async function fetchAhead() {
    if (ahead.length > 0 || !document.querySelector("#turn[data-listed=yes]")) return;
    try {
      const answer = await fetch("/turn?handler=ahead", { headers: { "HX-Request": "true" } });
      if (answer.status !== 200) return;
      document.dispatchEvent(new CustomEvent("umbick:ahead", { detail: answer.clone() }));
      const page = new DOMParser().parseFromString(await answer.text(), "text/html");
      ahead = [...page.querySelectorAll("[data-ahead]")].map((part) => ({
        place: Number(placeOf(part) ?? Infinity),
        html: part.innerHTML,
      }));
      turn().dataset.aheadReady = "yes";
    } catch {
      /* without a connection there is nothing to fetch; what is here stays */
    }
  }

  // Where things stand now. The question that stands there already stays as it is: the child may be in the middle of it.
  function arrive(part) {
    const now = turn();
    const asks = (question) => `${placeOf(question)} ${question.querySelector("[name=try]")?.value}`;
    if (now.dataset.sending === "yes" || asks(part) !== asks(now)) show(part);
    else if (part.querySelector("[data-watch]")) {
      now.querySelector("[data-watch]").replaceWith(part.querySelector("[data-watch]"));
      htmx.process(now.querySelector("[data-watch]"));
    }
    fetchAhead();
  }

  heard((entry, reply) => {
    const part = parsed(reply.body);
    if (part && queue.waiting().length === 0) arrive(part);
  });

  // While answers wait, where the sitting stands on the server is not where the child is.
  // Nor does a page that nobody sees ask.
  document.addEventListener("htmx:beforeRequest", (event) => {
    if (event.target.matches("[data-watch]") && (document.hidden || sending !== null || queue.waiting().length > 0)) event.preventDefault();
  });

  // The teacher has moved on while the child is in the middle of an answer: it is not taken out of the child's hands.
  document.addEventListener("htmx:beforeSwap", (event) => {
    if (event.target.id !== "turn" || !event.detail.shouldSwap) return;
    const part = parsed(event.detail.xhr.responseText);
    if (sending !== null || queue.waiting().length > 0 || !part) event.detail.shouldSwap = false;
    else if (turn().dataset.begun === "yes" && placeOf(part) !== placeOf(turn())) {
      event.detail.shouldSwap = false;
      held = part;
      moved().hidden = false;
    }
  });

  const moved = () => document.getElementById("moved");
  document.addEventListener("click", (event) => {
    if (event.target.closest?.("[data-go-on]") && held) show(held);
  });
  document.addEventListener("umbick:question", () => {
    moved().hidden = true;
  });

  document.addEventListener("htmx:afterSettle", (event) => {
    if (event.target.closest?.("#turn")) fresh();
  });

  for (const kind of ["pointerdown", "keydown"])
    document.addEventListener(
      kind,
      (event) => {
        const sends = event.target.closest?.("button:not([type=button])") || (event.key === "Enter" && !event.target.closest?.("button"));
        if (
          begun === null &&
          !sends &&
          event.target.closest?.("[data-answer-form], [data-hands], .numeral-places") &&
          event.key !== "Tab"
        ) {
          begun = performance.now();
          turn().dataset.begun = "yes";
        }
      },
      true,
    );
  // A key that is held down is one press.
  document.addEventListener(
    "keydown",
    (event) => {
      if (event.key === "Enter" && event.repeat) event.preventDefault();
    },
    true,
  );

  function speaker() {
    if (window.speechSynthesis) document.querySelector("[data-speaker]")?.classList.remove("invisible");
  }

  document.addEventListener("click", (event) => {
    if (!event.target.closest?.("[data-speaker]")) return;
    // What is asked, what is given, and what there is to choose from.
    const texts = [...turn().querySelectorAll("[data-speak]")].map((part) => part.textContent.trim());
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(texts.join(". ")));
  });

  // Nothing that a teacher had typed stays with a device that a child has.
  sessionStorage.clear();
  fresh();
  fetchAhead().then(catchUp);
})();
