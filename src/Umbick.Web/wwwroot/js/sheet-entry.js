// A sheet that came back: a key an item. Each answer is sent as it is pressed, and can be put right by pressing again.
(() => {
  const { queue, heard } = Sending;
  const form = document.querySelector("[data-sheet-entry]");
  const rows = [...form.querySelectorAll("[data-row]")];
  const boxes = rows.map((row) => row.querySelector("[data-place]"));
  const notes = document.querySelector("[data-notes]");
  const count = document.querySelector("[data-kept-count]");
  const path = `${location.pathname}?handler=row`;
  const rowOf = (box) => box.closest("[data-row]");
  const boxOf = (entry) => boxes.find((box) => box.dataset.place === AnswerQueue.value(entry, "place"));
  const done = [];

  function tally() {
    count.textContent = `${boxes.filter((box) => box.dataset.kept !== "").length} kept of ${boxes.length}`;
  }

  function goTo(box) {
    (box ?? document.querySelector("[data-by-code] [name=code]")).focus();
    box?.select();
  }

  const after = (box) => boxes[boxes.indexOf(box) + 1];
  const before = (box) => boxes[boxes.indexOf(box) - 1];

  // Whether a key means what it says on the page: nothing is being typed in the box.
  const isPlain = (box) => !("typing" in box.dataset) && !("choosing" in box.dataset);

  const settle = (box, entry, reply) => Entered.settle(box, entry, reply, { notes, tally });

  function send(box, again) {
    const raw = box.value.trim();
    delete box.dataset.typing;
    if (raw === "" || (!again && raw === (box.dataset.sent ?? box.dataset.kept))) {
      // A row that is rubbed out takes no answer back.
      box.value = box.dataset.sent ?? box.dataset.kept;
      return;
    }
    const id = AnswerQueue.id();
    const fields = [
      ["place", box.dataset.place],
      ["answer", id],
      ["corrects", box.dataset.stands],
      ["raw", raw],
      ["how", rowOf(box).dataset.how ?? ""],
    ];
    [box.dataset.sent, box.dataset.stands] = [raw, id];
    done.push(box);
    queue.submit(path, fields, raw).then((reply) => {
      if (reply.outcome === "kept" || reply.outcome === "refused") settle(box, { id, fields }, reply);
    });
  }

  heard((entry, reply) => {
    const box = entry.path === path && boxOf(entry);
    if (box) settle(box, entry, reply);
  });

  function answer(box, raw) {
    box.value = raw;
    send(box);
    goTo(after(box));
  }

  function typed(box) {
    box.dataset.typing = "";
  }

  // A drawing can show what no time says; it goes along with the answer, or follows one that is kept.
  function draw(box, id) {
    const row = rowOf(box);
    row.dataset.how = row.dataset.how === id ? "" : id;
    for (const note of row.querySelectorAll("[data-drawing]"))
      note.setAttribute("aria-pressed", String(note.dataset.drawing === row.dataset.how));
    if (box.dataset.kept || box.dataset.sent) send(box, true);
  }

  const keys = {
    1: (box) => answer(box, "."),
    0: (box) => answer(box, "-"),
    2: (box, ways) => {
      if (ways.length === 1) answer(box, ways[0]);
      else if (ways.length > 1) box.dataset.choosing = "";
    },
    3: (box) => {
      box.value = "";
      typed(box);
    },
    u: () => goTo(done.pop() ?? boxes[0]),
  };

  document.addEventListener("keydown", (event) => {
    const box = event.target;
    if (!box.matches?.("[data-place]") || event.ctrlKey || event.metaKey || event.altKey) return;
    const ways = [...rowOf(box).querySelectorAll("[data-way]")].map((way) => way.dataset.way);
    const key = event.key.toLowerCase();
    const drawing = [...rowOf(box).querySelectorAll("[data-drawing]")].find((note) => note.textContent.trim()[0].toLowerCase() === key);
    if (event.key === "Enter") {
      if ("typing" in box.dataset) send(box);
      goTo(event.shiftKey ? before(box) : after(box));
    } else if (event.key === "ArrowDown") goTo(after(box) ?? box);
    else if (event.key === "ArrowUp") goTo(before(box) ?? box);
    else if ("choosing" in box.dataset) {
      delete box.dataset.choosing;
      const chosen = ways["abc".indexOf(key)];
      if (key.length === 1 && chosen) answer(box, chosen);
    } else if (isPlain(box) && keys[key]) keys[key](box, ways);
    else if (isPlain(box) && drawing) draw(box, drawing.dataset.drawing);
    else {
      if (event.key.length === 1 && isPlain(box)) {
        box.value = "";
        typed(box);
      }
      return;
    }
    event.preventDefault();
  });

  document.addEventListener("focusout", (event) => {
    const box = event.target;
    if (!box.matches("[data-place]")) return;
    delete box.dataset.choosing;
    if ("typing" in box.dataset || (box.value.trim() !== (box.dataset.sent ?? box.dataset.kept) && box.value.trim() !== "")) send(box);
  });

  document.addEventListener("click", (event) => {
    const drawing = event.target.closest?.("[data-drawing]");
    if (drawing) draw(rowOf(drawing).querySelector("[data-place]"), drawing.dataset.drawing);
    const means = event.target.closest?.("[data-means]");
    if (means) {
      const box = boxes.find((field) => field.name === means.closest("[data-note]").dataset.noteFor);
      box.value = means.dataset.means;
      send(box);
      box.focus();
    }
    if (!event.target.closest?.("[data-all-right]")) return;
    for (const box of boxes.filter((each) => each.value.trim() === "")) {
      box.value = ".";
      send(box);
    }
    goTo(null);
  });

  form.addEventListener("submit", (event) => event.preventDefault());

  // What waited when the page was left stands in its row again.
  for (const entry of queue.waiting()) {
    const box = entry.path === path && boxOf(entry);
    if (!box) continue;
    box.value = AnswerQueue.value(entry, "raw");
    [box.dataset.sent, box.dataset.stands] = [box.value, entry.id];
  }
  tally();
})();
