using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>One item of each of some tasks, for a sitting whose tasks the teacher chooses themselves.</summary>
public sealed class OneOfEach(ReadingModel model)
{
    private readonly ItemMaker _maker = new(model);

    /// <summary>Makes the items, in the order of the tasks.</summary>
    /// <param name="tasks">The tasks.</param>
    /// <param name="stage">The stage whose times are used; a task that begins later has times of its own first stage.</param>
    /// <param name="seed">The same seed makes the same items.</param>
    /// <param name="onScreen">Whether the child answers on a screen alone: what tests something only when asked aloud is left out.</param>
    /// <param name="day">The school's own day: what is asked of a day is asked of it; null for times of no school.</param>
    public IReadOnlyList<Item> Make(
        IEnumerable<ClockTask> tasks, Stage stage, int seed, bool onScreen = false, IReadOnlyList<SchoolMoment>? day = null)
    {
        var random = new Random(seed);
        var (used, asked) = (new HashSet<ClockTime>(), new HashSet<Item>());
        return [.. tasks.Select(task =>
            task.IsQuestion ? Question(task, stage, random, asked, onScreen, day ?? []) : OnTime(task, stage, random, used))];
    }

    private Item OnTime(ClockTask task, Stage stage, Random random, HashSet<ClockTime> used)
    {
        var upto = (Stage)Math.Clamp(Math.Max((int)stage, (int)task.From), (int)Stage.OClock, (int)Stage.EveryMinute);
        // The hour alone tells little; the same time twice tells less.
        var times = ClockTime.All().Where(time => upto.Has(time.Minute)).OrderBy(_ => random.Next()).ToList();
        var time = times.OrderBy(used.Contains).ThenBy(time => time.Minute == 0).First();
        used.Add(time);
        return _maker.Make(task, time, upto, random.Next(1000));
    }

    private static Item Question(
        ClockTask task, Stage stage, Random random, HashSet<Item> asked, bool onScreen, IReadOnlyList<SchoolMoment> day)
    {
        var all = OtherSkillItems.All.Where(item => item.Task == task && !(onScreen && item.IsOnlyAloud)).ToList();
        var taught = all.Where(item => item.OtherSkill!.From <= stage).ToList();
        var ofDay = OtherSkillItems.OnDay(task, day);
        var open = ofDay.Count > 0 ? ofDay : taught.Count > 0 ? taught : all;
        var item = open.OrderBy(asked.Contains).ThenBy(_ => random.Next()).First();
        asked.Add(item);
        return item;
    }
}
