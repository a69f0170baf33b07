// Answers from paper: each is kept as its box is left, and the marks for right and blank go on by themselves.
(() => {
  const boxes = [...document.querySelectorAll("[data-grid] [data-place]")];
  const told = document.querySelector("[data-told]");
  const count = document.querySelector("[data-kept-count]");
  const token = document.querySelector("[name=__RequestVerificationToken]").value;

  function goOn(box, by) {
    const next = boxes[boxes.indexOf(box) + by];
    if (next) { next.focus(); next.select(); }
  }

  async function keep(box) {
    const raw = box.value.trim();
    if (raw === "" || raw === box.dataset.kept) return;
    if (box.dataset.sent !== raw) [box.dataset.sent, box.dataset.answer] = [raw, crypto.randomUUID()];
    const body = new URLSearchParams({ sitting: box.dataset.sitting, place: box.dataset.place, answer: box.dataset.answer, raw, __RequestVerificationToken: token });
    try {
      const answer = await fetch(`${location.pathname}?handler=cell`, { method: "POST", body });
      if (!answer.ok) throw new Error();
      box.dataset.kept = raw;
      told.hidden = true;
    } catch {
      told.textContent = "The last answer could not be kept yet. It stays in its box, and goes with the next one or with “Keep all”.";
      told.hidden = false;
    }
    const kept = boxes.filter((one) => one.dataset.kept !== "").length;
    count.textContent = `${kept} kept of ${boxes.length}`;
  }

  document.addEventListener("focusout", (event) => { if (event.target.matches("[data-place]")) boxes.filter((box) => box === event.target || box.dataset.sent).forEach(keep); });

  document.addEventListener("keydown", (event) => {
    const box = event.target;
    if (!box.matches("[data-place]")) return;
    const width = document.querySelectorAll("[data-grid] thead th").length - 1;
    if (event.key === "Enter") goOn(box, event.shiftKey ? -1 : 1);
    else if (event.key === "ArrowDown") goOn(box, width);
    else if (event.key === "ArrowUp") goOn(box, -width);
    else if ((event.key === "." || event.key === "-") && box.selectionStart === 0 && box.selectionEnd === box.value.length) {
      box.value = event.key;
      goOn(box, 1);
    } else return;
    event.preventDefault();
  });
})();
