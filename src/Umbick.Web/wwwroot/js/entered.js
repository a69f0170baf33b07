// What becomes of an answer that was typed from paper: its box says that it is kept, and a note asks what it can mean.
globalThis.Entered = {
  settle(box, entry, reply, { notes, tally }) {
    notes.querySelector(`[data-note-for="${box.name}"]`)?.remove();
    if (reply.outcome === "refused") {
      box.dataset.refused = "yes";
      return;
    }
    box.dataset.kept = AnswerQueue.value(entry, "raw");
    if (box.dataset.stands === entry.id) delete box.dataset.sent;
    delete box.dataset.refused;
    tally();
    const note = new DOMParser().parseFromString(reply.body, "text/html").querySelector("[data-note]");
    box.toggleAttribute("data-unclear", note !== null);
    if (!note) return;
    note.dataset.noteFor = box.name;
    notes.append(note);
  },
};
