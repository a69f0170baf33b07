// A visit: a box a child. Enter goes to the next box and from the last one sends them all; each answer is its own in the queue. What is
// typed while a face changes waits for the next one, and is shown, not used, where something was refused.
(() => {
  const { queue, heard, reasonIn } = Sending;
  const visit = () => document.getElementById("visit");
  if (!visit()) return;
  const path = `${location.pathname}?handler=answer`;
  const boxes = () => [...visit().querySelectorAll("[data-box]")];
  const boxOf = (child) => boxes().find((box) => box.dataset.box === child);
  const field = (name) => visit().querySelector(`[data-answers] [name=${name}]`).value;
  const isOpen = (box) => box.value.trim() === "" || box.value.trim() === box.dataset.kept;
  let sending = false;
  let typedOn = [];

  function tell(text) {
    const line = visit().querySelector("[data-visit-told]");
    if (!line) return;
    line.textContent = text;
    line.hidden = text === "";
  }

  function note(box, text) {
    const line = box.closest("[data-box-of]").querySelector("[data-box-told]");
    line.textContent = text;
    line.hidden = text === "";
  }

  function fresh() {
    sending = false;
    const first = boxes().find((other) => other.value === "") ?? boxes()[0] ?? visit().querySelector("[autofocus]");
    first?.focus();
    // A sign that sends leaves the rest for the face that comes.
    while (typedOn.length > 0 && !sending) press(typedOn.shift());
  }

  function press(key) {
    const box = document.activeElement;
    if (!box?.matches?.("[data-box]")) return;
    if (key === "Enter") onward(box);
    else if (key === "Backspace") box.value = box.value.slice(0, -1);
    else if (!mark(box, key)) box.value += key;
  }

  // The children see this screen too: what gives the answer away is folded until it is asked for, and stays as it was from face to face.
  let open = false;
  function fold() {
    visit().toggleAttribute("data-open", open);
    for (const folds of visit().querySelectorAll("[data-fold]")) folds.setAttribute("aria-expanded", String(open));
  }
  function unfold() {
    open = !open;
    fold();
  }

  // To the big clock, from it, and to the end is another page: the clock begins again, and the menu is back.
  const turns = (part) =>
    part.dataset.part !== visit().dataset.part && [part, visit()].some((shown) => ["show", "over"].includes(shown.dataset.part));

  function show(body) {
    const part = new DOMParser().parseFromString(body, "text/html").getElementById("visit");
    if (!part) return "unchanged";
    if (turns(part)) {
      location.assign(location.pathname);
      return "left";
    }
    visit().replaceWith(document.importNode(part, true));
    htmx.process(visit());
    fold();
    return "shown";
  }

  // It was meant for another face: it is shown, and not used.
  function tellTypedOn() {
    if (typedOn.length === 0) return;
    tell(`Typed meanwhile, and not used: ${typedOn.map((key) => ({ Enter: "⏎", Backspace: "⌫" })[key] ?? key).join("")}`);
    typedOn = [];
  }

  async function sendAll() {
    if (sending) return;
    const filled = boxes().filter((box) => !isOpen(box) && box.dataset.sent !== box.value.trim());
    if (filled.length === 0) {
      tell(boxes().some((box) => box.dataset.sent) ? "What is typed is on its way." : "Nothing new is typed.");
      return;
    }
    sending = true;
    const replies = await Promise.all(
      filled.map(async (box) => {
        const raw = box.value.trim();
        const id = AnswerQueue.id();
        box.dataset.sent = raw;
        const confirmed = box.dataset.refused === raw ? [["confirmed", raw]] : [];
        const fields = [
          ["child", box.dataset.box],
          ["part", field("part")],
          ["place", field("place")],
          ["answer", id],
          ["corrects", box.dataset.corrects],
          ["raw", raw],
          ...confirmed,
        ];
        return { id, child: box.dataset.box, raw, reply: await queue.submit(path, fields, raw) };
      }),
    );
    settle(replies);
  }

  // What stands in a box is kept: something else typed there puts it right.
  function stand(child, id, raw) {
    const box = boxOf(child);
    if (!box) return;
    [box.dataset.kept, box.dataset.corrects] = [raw, id];
    delete box.dataset.sent;
  }

  function settle(replies) {
    const kept = replies.filter(({ reply }) => reply.outcome === "kept");
    const refused = replies.filter(({ reply }) => reply.outcome === "refused");
    const waits = replies.length > kept.length + refused.length;
    for (const { id, child, raw } of kept) stand(child, id, raw);
    if (waits) {
      sending = false;
      tellTypedOn();
      return;
    }
    if (kept.length > 0 && show(kept.at(-1).reply.body) === "left") return;
    for (const { id, child, raw, reply } of refused) {
      queue.dismiss(id);
      const box = boxOf(child);
      if (!box) continue;
      box.value = raw;
      box.dataset.refused = raw;
      delete box.dataset.sent;
      note(box, reasonIn(reply.body));
    }
    if (refused.length > 0) tellTypedOn();
    fresh();
    if (refused.length > 0) boxOf(refused[0].child)?.focus();
  }

  // An answer that had waited. Where nothing else is being typed the page shows where the visit is by now.
  heard((entry, reply) => {
    if (entry.path !== path) return;
    const box = boxOf(AnswerQueue.value(entry, "child"));
    if (
      reply.outcome === "kept" &&
      !sending &&
      queue.waiting().length === 0 &&
      boxes().every((typed) => isOpen(typed) || typed.dataset.sent === typed.value.trim())
    ) {
      if (show(reply.body) === "shown") fresh();
      else if (box) stand(box.dataset.box, entry.id, AnswerQueue.value(entry, "raw"));
    } else if (box && reply.outcome === "kept") stand(box.dataset.box, entry.id, AnswerQueue.value(entry, "raw"));
  });

  // What waited when the page was left stands in its box again.
  for (const entry of queue.waiting()) {
    const box =
      entry.path === path && AnswerQueue.value(entry, "place") === visit().dataset.place && boxOf(AnswerQueue.value(entry, "child"));
    if (box) [box.value, box.dataset.sent] = [AnswerQueue.value(entry, "raw"), AnswerQueue.value(entry, "raw")];
  }

  function onward(box) {
    const all = boxes();
    const next = all[all.indexOf(box) + 1];
    if (next) {
      next.focus();
      next.select();
    } else sendAll();
  }

  // A sign of its own at the beginning of an empty box: it is the whole answer.
  function mark(box, key) {
    if (key !== "." && key !== "-") return false;
    if (box.value !== "" && !(box.selectionStart === 0 && box.selectionEnd === box.value.length)) return false;
    box.value = key;
    onward(box);
    return true;
  }

  const isTyped = (key) => [...key].length === 1 || key === "Enter" || key === "Backspace";
  document.addEventListener(
    "keydown",
    (event) => {
      if (event.ctrlKey || event.metaKey || event.altKey || !isTyped(event.key)) return;
      if (sending) {
        event.preventDefault();
        event.stopImmediatePropagation();
        if (!(event.repeat && event.key === "Enter")) typedOn.push(event.key);
        return;
      }
      const box = event.target;
      if (!box.matches?.("[data-box]")) return;
      if (event.key === "Enter") {
        if (!event.repeat) onward(box);
      } else if (!mark(box, event.key)) return;
      event.preventDefault();
    },
    true,
  );

  document.addEventListener("keydown", (event) => {
    if (event.key !== "F2" || event.repeat) return;
    event.preventDefault();
    unfold();
  });

  document.addEventListener("click", (event) => {
    if (event.target.closest?.("[data-fold]")) unfold();
    const put = event.target.closest?.("[data-put]");
    if (!put || sending) return;
    const box = put.closest("[data-box-of]").querySelector("[data-box]");
    box.value = put.dataset.put;
    const empty = boxes().find((other) => other.value.trim() === "");
    if (empty) empty.focus();
    else sendAll();
  });

  document.addEventListener("submit", (event) => {
    if (!event.target.matches("[data-answers]")) return;
    event.preventDefault();
    sendAll();
  });

  document.addEventListener("htmx:beforeSwap", (event) => {
    if (event.detail.target?.id !== "visit") return;
    const part = new DOMParser().parseFromString(event.detail.serverResponse, "text/html").getElementById("visit");
    if (part && turns(part)) {
      event.detail.shouldSwap = false;
      location.assign(location.pathname);
    }
  });
  document.addEventListener("htmx:afterSwap", (event) => {
    if (event.detail.target?.id !== "visit" && event.target.id !== "visit") return;
    fold();
    const pressed = event.detail.requestConfig?.path ?? "";
    if (pressed.includes("handler=on") || pressed.includes("handler=back")) fresh();
  });

  // Another device is at the same visit: what it does is shown here, and nothing that is being typed is swept away.
  const isTyping = () =>
    sending || queue.waiting().length > 0 || boxes().some((box) => !isOpen(box)) || document.activeElement?.closest?.("#visit details");

  function catchUp(body) {
    const part = new DOMParser().parseFromString(body, "text/html").getElementById("visit");
    if (!part || part.dataset.key === visit().dataset.key) return;
    // A code that was used opens nothing more.
    document.querySelector("[data-code]")?.toggleAttribute("hidden", part.dataset.codeWaits === "no");
    const [was, now] = [visit().dataset, part.dataset];
    const isSamePlace = was.part === now.part && was.place === now.place;
    // The big clock stands in the middle of its demonstration: only who is at the visit is told.
    if (isSamePlace && now.part === "show") {
      visit()
        .querySelector("[data-devices]")
        .replaceWith(document.importNode(part.querySelector("[data-devices]"), true));
      Object.assign(was, { key: now.key, follows: now.follows });
      htmx.process(visit());
    } else if (isTyping()) {
      if (!isSamePlace) tell("The other device has gone on. What you type is still kept for this clock.");
    } else {
      const held = isSamePlace ? document.activeElement?.id : null;
      if (show(body) !== "shown") return;
      if (held) document.getElementById(held)?.focus();
      else fresh();
    }
  }

  async function follow() {
    if (visit().dataset.follows === "yes") {
      const state = `${location.pathname}?handler=state&key=${visit().dataset.key}`;
      const before = visit();
      const reply = await fetch(state, { headers: { "Umbick-Queue": "1" } }).catch(() => null);
      const body = reply?.status === 200 ? await reply.text() : null;
      // What was asked before something was done here is older than what stands here.
      const isOld = visit() !== before || document.querySelector(".htmx-request");
      if (body && !isOld) catchUp(body);
      // Taken out, or the visit is over: this device opens it no more.
      else if ([401, 404].includes(reply?.status) && !visit().querySelector("[data-stop]") && !isTyping()) {
        location.assign(location.pathname);
        return;
      }
    }
    setTimeout(follow, 1000);
  }

  fold();
  fresh();
  follow();
})();
