using Umbick.Store;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;

namespace Umbick.Casework;

/// <summary>One child of a screened class.</summary>
/// <param name="Child">The child.</param>
/// <param name="Sitting">Their sitting, with what is answered so far.</param>
/// <param name="Result">Where they belong.</param>
public sealed record ScreenedChild(CaseloadRow Child, SittingRecord Sitting, ScreeningResult Result);

/// <summary>A class with its form and its children.</summary>
/// <param name="Screening">The screening.</param>
/// <param name="Items">The items of the form.</param>
/// <param name="Children">The children, in the order of the list.</param>
public sealed record ScreenedClass(Screening Screening, IReadOnlyList<Item> Items, IReadOnlyList<ScreenedChild> Children)
{
    /// <summary>How each question came out.</summary>
    public IReadOnlyList<ClassQuestion> Questions => [.. Items.Select((item, i) =>
    {
        var answers = Children.SelectMany(child => child.Sitting.Scored.Where(question => question.Asked.Place == i + 1)).ToList();
        return new ClassQuestion(item, answers.Count, answers.Count(question => !question.IsRight));
    })];
}

/// <summary>Screening a class: a short form for everyone, answered on screens or typed from paper.</summary>
public sealed class ClassScreening(ReadingModel model, TimeProvider clock)
{
    /// <summary>The most children a class list may have.</summary>
    public const int MostChildren = 60;

    /// <summary>How many questions the form has.</summary>
    public const int Length = 8;

    private const int MostListed = 20;

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>Classes that were screened, the latest first, and how many earlier ones are not listed.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="all">Whether all are listed; else the latest twenty.</param>
    public static async Task<(IReadOnlyList<Screening> Listed, int Earlier)> List(SchoolConnection connection, bool all)
    {
        var listed = await Screenings.Latest(connection, all ? null : MostListed);
        return ([.. listed], await Screenings.Count(connection) - listed.Count());
    }

    /// <summary>Starts a screening. A child who is known keeps their record; a new one is on the class's list only.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="title">What the class is called.</param>
    /// <param name="stage">What has been taught so far.</param>
    /// <param name="aliases">The children.</param>
    /// <param name="id">The screening's id, where the page made it: sending the page twice is one class.</param>
    /// <returns>The screening's id.</returns>
    public async Task<ScreeningId> Start(
        SchoolConnection connection, string title, Stage stage, IReadOnlyList<string> aliases, ScreeningId? id = null)
    {
        var preferences = new TeachingPreferences(await Schools.Settings(connection));
        var form = new FixedForms(model).ForClass(
            stage, await Screenings.CountOf(connection, title, stage), task => preferences.Uses(task, stage));
        var screening = new Screening
        {
            Id = id ?? ScreeningId.New(clock),
            Title = title,
            Stage = stage,
            Length = form.Items.Count,
            Form = form.Name,
            Seed = form.Seed,
            StartedAt = Now
        };
        if (!await Screenings.Add(connection, screening, form.Items)) return screening.Id;
        var known = await Store.Children.ByAlias(connection, aliases);
        var added = aliases.Where(alias => !known.ContainsKey(alias)).Select(alias => new Child(ChildId.New(clock), alias, stage))
            .ToList();
        await Store.Children.AddAll(connection, added, Now);
        var ids = known.Concat(added.Select(child => KeyValuePair.Create(child.Alias, child.Id))).ToDictionary();
        var sittings = aliases.Select(alias => (Id: SittingId.New(clock), Child: ids[alias])).ToList();
        var alike = new Sitting
        {
            Kind = SittingKind.Asking,
            Stage = stage,
            Length = form.Items.Count,
            StartedAt = Now,
            Plan = Plan.Form,
            Delivery = DeliveryMode.OnChildsScreen,
            Screening = screening.Id,
        };
        await Sittings.StartAll(connection, alike, sittings);
        await Sittings.Ask(connection, sittings.Select(sitting => sitting.Id),
            form.Items.Select((item, i) => new AskedItem(i + 1, item, Support.Bare, "It stands in the class's form.")), Now);
        return screening.Id;
    }

    /// <summary>Which patterns the form of a class can tell, and by how many of its questions.</summary>
    public IReadOnlyList<Coverage> Tells(ScreenedClass screened) => new FixedForms(model).CoverageOf(screened.Items);

    /// <summary>Keeps one answer that was typed from paper; one that names the answer it puts right follows it, and both stay.</summary>
    public async Task<AnswerOutcome> Enter(SchoolConnection connection, SittingId sittingId, Submission submission, PersonId by) =>
        (await AnswerKeeping.Keep(connection, model, sittingId, sitting => sitting.Screening is not null, submission, by, Now,
            state => GoOn(connection, state))).Outcome;

    /// <summary>
    /// Keeps one answer that was typed from paper into a class's grid, and reads it: what stands on paper is kept as it stands.
    /// </summary>
    /// <param name="connection">The school.</param>
    /// <param name="id">The class.</param>
    /// <param name="sittingId">The child's sitting.</param>
    /// <param name="submission">The answer.</param>
    /// <param name="by">Who typed it.</param>
    /// <returns>The outcome; null where the school has no such class.</returns>
    public async Task<PaperAnswerTaken?> EnterInClass(
        SchoolConnection connection, ScreeningId id, SittingId sittingId, Submission submission, PersonId by)
    {
        if (await Screenings.Find(connection, id) is not { } screening) return null;
        var child = await Sittings.Find(connection, sittingId) is { } sitting && sitting.Screening == id
            ? await Store.Children.Find(connection, sitting.Child) : null;
        var text = submission.Raw;
        if (child is null) return new(null, "This child is not in the class.");
        if (text.Length > AnswerParser.LongestAnswer)
            return new(null, $"An answer has {AnswerParser.LongestAnswer} characters at most; this one has {text.Length:N0}.");
        if (text.Length == 0 || screening.PaperDay is null) return new(null, "Tell first on which day the sheets were done.");
        var kept = await Enter(connection, sittingId, submission, by);
        if (!kept.IsKept()) return new(kept,
            $"{child.Alias}, question {submission.Place}, has another answer by now. Open the page again to see it.");
        var item = (await Sittings.At(connection, sittingId, submission.Place))!.Item;
        return new(kept, null) { Child = child, Read = TypedAnswer.From(item, text, child.Preferences) };
    }

    /// <summary>Makes a code for every child of a class whose form is not finished.</summary>
    public async Task<IReadOnlyDictionary<SittingId, string>> MakeCodes(SchoolConnection connection, ScreenedClass screened)
    {
        var codes = new Dictionary<SittingId, string>();
        foreach (var sitting in screened.Children.Select(child => child.Sitting.Sitting).Where(sitting => sitting.EndedAt is null))
            codes[sitting.Id] = await Codes.Make(connection, sitting.Id, Now);
        return codes;
    }

    private async Task<SittingState?> GoOn(SchoolConnection connection, SittingState state)
    {
        var (sitting, rows) = (state.Sitting, state.Rows);
        var screening = (await Screenings.Find(connection, sitting.Screening!.Value))!;
        // A sheet is dated by the day it was done. What a child has begun on a screen keeps its day.
        if (sitting.FirstAnswerAt is null && screening.PaperDay is { } day) await Sittings.TellDay(connection, [sitting.Id], day);
        var next = Enumerable.Range(1, screening.Length).FirstOrDefault(place => !rows.IsAnswered(place));
        if (next > 0) await Sittings.MoveTo(connection, sitting.Id, next);
        else await SittingEnding.End(connection, model, sitting, Now);
        return null;
    }

    /// <summary>Tells the day on which a class's sheets were done: of those typed already and of those to come.</summary>
    /// <returns>Whether the school has such a class.</returns>
    public async Task<bool> TellDay(SchoolConnection connection, ScreeningId id, DateOnly day)
    {
        if (await Screenings.TellDay(connection, id, day) == 0) return false;
        var sittings = (await Sittings.OfScreening(connection, id)).Where(sitting => sitting.FirstAnswerAt is not null).ToList();
        var answers = await Sittings.AnswersIn(connection, sittings.Select(sitting => sitting.Id));
        var typed = sittings.Where(sitting => answers[sitting.Id].All(answer => answer.By is not null)).ToList();
        await Sittings.TellDay(connection, typed.Select(sitting => sitting.Id), day);
        foreach (var sitting in typed) await SittingEnding.RenewAll(connection, model, sitting.Child);
        return true;
    }

    /// <summary>A class with where each child belongs; null where the school has no such screening.</summary>
    public async Task<ScreenedClass?> Load(SchoolConnection connection, ScreeningId id)
    {
        if (await Screenings.Find(connection, id) is not { } screening) return null;
        var sittings = await Sittings.OfScreening(connection, id);
        var (asked, answers) = await Sittings.RowsIn(connection, sittings.Select(sitting => sitting.Id));
        var rows = (await Store.Children.ByIds(connection, sittings.Select(sitting => sitting.Child))).ToDictionary(row => row.Id);
        var children = sittings.Select(sitting =>
            Sorted(rows[sitting.Child],
                ChildRecord.SittingFrom(sitting, asked[sitting.Id], answers[sitting.Id], rows[sitting.Child].Preferences),
                screening.Length)).ToList();
        return new ScreenedClass(screening, await Screenings.Form(connection, id), children);
    }

    /// <summary>What all answers say of the children of a class who are on the caseload: the form is one sitting of theirs.</summary>
    public async Task<IReadOnlyDictionary<ChildId, CaseSummary>> CasesOf(SchoolConnection connection, ScreenedClass screened)
    {
        var today = await Schools.Today(connection, Now);
        var cases = await Caseload.Load(connection, model,
            [.. screened.Children.Where(child => child.Child.OnCaseload).Select(child => child.Child)]);
        return cases.ToDictionary(known => known.Child.Id, known => known.SummaryOn(today));
    }

    /// <summary>What the form alone says: a child is sorted by what the class was asked, whatever else is known of them.</summary>
    private ScreenedChild Sorted(CaseloadRow child, SittingRecord sitting, int length)
    {
        var answered = sitting.Answered.ToList();
        var belief = new Belief(model);
        var observed = ObservedAnswer.All(model, answered.Select(ChildRecord.AsGiven));
        belief.Update(observed.SelectMany(answer => answer.Observations));
        var result = ScreeningResult.From(length, sitting.Scored.Count(), answered.Count(question => question.IsRight),
            Conclusion.From(model, belief, observed), child.Preferences.Wording);
        return new ScreenedChild(child, sitting, result);
    }
}
