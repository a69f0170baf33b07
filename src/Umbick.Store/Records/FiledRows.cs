
namespace Umbick.Store;

/// <summary>What is read from files goes into rows by the thousand, a statement for many.</summary>
public static class FiledRows
{
    /// <summary>Adds sittings.</summary>
    public static Task AddSittings(SchoolConnection connection, IReadOnlyList<FiledSitting> sittings) => connection.ExecuteAsync(
        """
        insert into sitting (school, id, child, kind, stage, length, current_place, started_at, ended_at, first_answer_at, paper_day, plan,
          delivery, cold_for, form)
        select @school, id, child, kind, stage, length, length, began, ended, began, day, plan, delivery, cold, form
        from unnest(@ids, @children, @kinds, @stages, @lengths, @began, @ended, @days, @plans, @deliveries, @colds, @forms)
          as one (id, child, kind, stage, length, began, ended, day, plan, delivery, cold, form)
        """,
        new
        {
            school = connection.School,
            ids = sittings.Select(sitting => sitting.Id.Value).ToArray(),
            children = sittings.Select(sitting => sitting.Child.Value).ToArray(),
            kinds = sittings.Select(sitting => sitting.Kind.ToString().ToLowerInvariant()).ToArray(),
            stages = sittings.Select(sitting => (short)sitting.Stage).ToArray(),
            lengths = sittings.Select(sitting => (short)sitting.Length).ToArray(),
            began = sittings.Select(sitting => sitting.Began).ToArray(),
            ended = sittings.Select(sitting => sitting.Ended).ToArray(),
            days = sittings.Select(sitting => sitting.Day).ToArray(),
            plans = sittings.Select(sitting => PlanNames.NameOf(sitting.Plan)).ToArray(),
            deliveries = sittings.Select(sitting => DeliveryNames.NameOf(sitting.Delivery)).ToArray(),
            colds = sittings.Select(sitting => sitting.ColdFor).ToArray(),
            forms = sittings.Select(sitting => sitting.Form).ToArray(),
        });

    /// <summary>Adds items with their answers, in the order in which they come.</summary>
    public static Task AddAnswers(SchoolConnection connection, IReadOnlyList<FiledAnswer> answers, DateTime now) => connection.ExecuteAsync(
        """
        insert into asked_item (school, sitting, place, task, clock_time, claim, support, why, asked_at, detail)
        select @school, sitting, place, task, clock_time, claim, support, why, at, detail::jsonb
        from unnest(@sittings, @places, @tasks, @times, @claims, @supports, @whys, @moments, @details) as one (sitting, place, task,
          clock_time, claim, support, why, at, detail);
        insert into answer (school, sitting, id, place, try, raw, mode, seconds, first_raw, prompted, how, given_at, given_by, kept_at)
        select @school, sitting, gen_random_uuid(), place, 1, raw, mode, seconds, first_raw, prompted, how, at, given_by, @now
        from unnest(@sittings, @places, @raws, @modes, @seconds, @firsts, @prompted, @hows, @moments, @bys) with ordinality
          as one (sitting, place, raw, mode, seconds, first_raw, prompted, how, at, given_by, line) order by line
        """,
        new
        {
            school = connection.School,
            now,
            sittings = answers.Select(answer => answer.Answer.Sitting.Value).ToArray(),
            places = answers.Select(answer => (short)answer.Answer.Place).ToArray(),
            tasks = answers.Select(answer => answer.Asked.Item.Task.Id).ToArray(),
            times = answers.Select(answer => answer.Asked.Item.Time.ToString()).ToArray(),
            claims = answers.Select(answer => ItemText.Claim(answer.Asked.Item)).ToArray(),
            supports = answers.Select(answer => ItemText.Support(answer.Asked.Support)).ToArray(),
            whys = answers.Select(answer => answer.Asked.Why).ToArray(),
            moments = answers.Select(answer => answer.Answer.GivenAt).ToArray(),
            details = answers.Select(answer => ItemText.Detail(answer.Asked.Item)).ToArray(),
            raws = answers.Select(answer => answer.Answer.Raw).ToArray(),
            modes = answers.Select(answer => answer.Answer.Mode).ToArray(),
            seconds = answers.Select(answer => answer.Answer.Seconds).ToArray(),
            firsts = answers.Select(answer => answer.Answer.FirstRaw).ToArray(),
            prompted = answers.Select(answer => answer.Answer.Prompted).ToArray(),
            hows = answers.Select(answer => answer.Answer.How).ToArray(),
            bys = answers.Select(answer => answer.Answer.By?.Value).ToArray(),
        });
}
