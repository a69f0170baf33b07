// Answers from paper: each is sent as its box is left, and the marks for right and blank go on by themselves.
(() => {
  const { queue, heard } = Sending;
  const grid = document.querySelector("[data-grid]");
  const boxes = [...grid.querySelectorAll("[data-place]")];
  const notes = document.querySelector("[data-notes]");
  const count = document.querySelector("[data-kept-count]");
  const width = document.querySelectorAll("[data-grid] thead th").length - 1;
  const path = `${location.pathname}?handler=cell`;
  const boxOf = (entry) =>
    boxes.find(
      (box) => box.dataset.sitting === AnswerQueue.value(entry, "sitting") && box.dataset.place === AnswerQueue.value(entry, "place"),
    );

  function goOn(box, by) {
    const next = boxes[boxes.indexOf(box) + by];
    if (next) {
      next.focus();
      next.select();
    }
  }

  function tally() {
    count.textContent = `${boxes.filter((box) => box.dataset.kept !== "").length} kept of ${boxes.length}`;
  }

  function send(box) {
    const raw = box.value.trim();
    if (raw === (box.dataset.sent ?? box.dataset.kept)) return;
    if (raw === "") {
      // To rub a box out is no answer, and takes none back.
      box.value = box.dataset.sent ?? box.dataset.kept;
      return;
    }
    const id = AnswerQueue.id();
    const fields = [
      ["sitting", box.dataset.sitting],
      ["place", box.dataset.place],
      ["answer", id],
      ["corrects", box.dataset.stands],
      ["raw", raw],
    ];
    [box.dataset.sent, box.dataset.stands] = [raw, id];
    queue.submit(path, fields, raw).then((reply) => {
      if (reply.outcome === "kept" || reply.outcome === "refused") settle(box, { id, fields }, reply);
    });
  }

  const settle = (box, entry, reply) => Entered.settle(box, entry, reply, { notes, tally });

  heard((entry, reply) => {
    const box = boxOf(entry);
    if (box) settle(box, entry, reply);
  });

  // What waited when the page was left stands in its box again.
  for (const entry of queue.waiting()) {
    const box = boxOf(entry);
    if (!box) continue;
    box.value = AnswerQueue.value(entry, "raw");
    [box.dataset.sent, box.dataset.stands] = [box.value, entry.id];
  }
  tally();

  document.addEventListener("focusout", (event) => {
    if (event.target.matches("[data-place]")) send(event.target);
  });

  // What a half is meant to be is asked in a line of its own, so that typing goes on.
  document.addEventListener("click", (event) => {
    const means = event.target.closest?.("[data-means]");
    if (!means) return;
    const box = boxes.find((field) => field.name === means.closest("[data-note]").dataset.noteFor);
    box.value = means.dataset.means;
    send(box);
    box.focus();
  });

  document.addEventListener("keydown", (event) => {
    const box = event.target;
    if (!box.matches("[data-place]")) return;
    if (event.key === "Enter") goOn(box, event.shiftKey ? -1 : 1);
    else if (event.key === "ArrowDown") goOn(box, width);
    else if (event.key === "ArrowUp") goOn(box, -width);
    else if ((event.key === "." || event.key === "-") && box.selectionStart === 0 && box.selectionEnd === box.value.length) {
      box.value = event.key;
      if (boxes.indexOf(box) === boxes.length - 1) send(box);
      goOn(box, 1);
    } else return;
    event.preventDefault();
  });

  grid.addEventListener("submit", async (event) => {
    event.preventDefault();
    boxes.forEach(send);
    await queue.flush();
    if (queue.waiting().length === 0 && !boxes.some((box) => box.dataset.refused))
      location.assign(location.pathname.replace(/\/grid$/, ""));
  });
})();
