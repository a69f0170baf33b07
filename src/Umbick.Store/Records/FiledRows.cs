
namespace Umbick.Store;

/// <summary>What is read from files goes into rows by the thousand, a statement for many.</summary>
public static class FiledRows
{
    /// <summary>Adds sittings.</summary>
    public static Task AddSittings(SchoolConnection connection, IReadOnlyList<FiledSitting> sittings) => connection.ExecuteAsync(
        """
        insert into sitting (school, id, child, kind, stage, length, current_place, started_at, ended_at, first_answer_at, paper_day, plan, delivery, cold_for, form)
        select @school, id, child, kind, stage, length, length, began, ended, began, day, plan, delivery, cold, form
        from unnest(@ids, @children, @kinds, @stages, @lengths, @began, @ended, @days, @plans, @deliveries, @colds, @forms)
          as one (id, child, kind, stage, length, began, ended, day, plan, delivery, cold, form)
        """,
        new
        {
            school = connection.School,
            ids = sittings.Select(one => one.Id.Value).ToArray(),
            children = sittings.Select(one => one.Child.Value).ToArray(),
            kinds = sittings.Select(one => one.Kind.ToString().ToLowerInvariant()).ToArray(),
            stages = sittings.Select(one => (short)one.Stage).ToArray(),
            lengths = sittings.Select(one => (short)one.Length).ToArray(),
            began = sittings.Select(one => one.Began).ToArray(),
            ended = sittings.Select(one => one.Ended).ToArray(),
            days = sittings.Select(one => one.Day).ToArray(),
            plans = sittings.Select(one => PlanNames.NameOf(one.Plan)).ToArray(),
            deliveries = sittings.Select(one => DeliveryNames.NameOf(one.Delivery)).ToArray(),
            colds = sittings.Select(one => one.ColdFor).ToArray(),
            forms = sittings.Select(one => one.Form).ToArray(),
        });

    /// <summary>Adds items with their answers, in the order in which they come.</summary>
    public static Task AddAnswers(SchoolConnection connection, IReadOnlyList<FiledAnswer> answers, DateTime now) => connection.ExecuteAsync(
        """
        insert into asked_item (school, sitting, place, task, clock_time, claim, support, why, asked_at, detail)
        select @school, sitting, place, task, clock_time, claim, support, why, at, detail::jsonb
        from unnest(@sittings, @places, @tasks, @times, @claims, @supports, @whys, @moments, @details) as one (sitting, place, task, clock_time, claim, support, why, at, detail);
        insert into answer (school, sitting, id, place, try, raw, mode, seconds, first_raw, prompted, how, given_at, given_by, kept_at)
        select @school, sitting, gen_random_uuid(), place, 1, raw, mode, seconds, first_raw, prompted, how, at, given_by, @now
        from unnest(@sittings, @places, @raws, @modes, @seconds, @firsts, @prompted, @hows, @moments, @bys) with ordinality
          as one (sitting, place, raw, mode, seconds, first_raw, prompted, how, at, given_by, line) order by line
        """,
        new
        {
            school = connection.School,
            now,
            sittings = answers.Select(one => one.Answer.Sitting.Value).ToArray(),
            places = answers.Select(one => (short)one.Answer.Place).ToArray(),
            tasks = answers.Select(one => one.Asked.Item.Task.Id).ToArray(),
            times = answers.Select(one => one.Asked.Item.Time.ToString()).ToArray(),
            claims = answers.Select(one => ItemText.Claim(one.Asked.Item)).ToArray(),
            supports = answers.Select(one => ItemText.Support(one.Asked.Support)).ToArray(),
            whys = answers.Select(one => one.Asked.Why).ToArray(),
            moments = answers.Select(one => one.Answer.GivenAt).ToArray(),
            details = answers.Select(one => ItemText.Detail(one.Asked.Item)).ToArray(),
            raws = answers.Select(one => one.Answer.Raw).ToArray(),
            modes = answers.Select(one => one.Answer.Mode).ToArray(),
            seconds = answers.Select(one => one.Answer.Seconds).ToArray(),
            firsts = answers.Select(one => one.Answer.FirstRaw).ToArray(),
            prompted = answers.Select(one => one.Answer.Prompted).ToArray(),
            hows = answers.Select(one => one.Answer.How).ToArray(),
            bys = answers.Select(one => one.Answer.By).ToArray(),
        });
}
