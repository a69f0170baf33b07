using Google.OrTools.Sat;
using Umbick.Core.Grouping;

namespace Umbick.Planner;

/// <summary>
/// A problem as a CP-SAT model: of all groups that the rules allow some are chosen, and each that is chosen is given slots. The rules are
/// those of <see cref="PlanRules"/>, and what a plan is worth is that of <see cref="PlanWorth"/>; a test holds them to agree.
/// </summary>
internal sealed class PlanModel
{
    /// <summary>
    /// How long is looked, in the solver's own measure, which is the same on every machine: two to four seconds here for forty children.
    /// </summary>
    public const double UsualEffort = 1;

    /// <summary>Of more groups than this the larger ones of the latest children are left out, and no bound is told.</summary>
    private const int MostGroups = 1500;

    private readonly GroupingProblem _problem;
    private readonly CpModel _model = new();
    private readonly List<(long Worth, BoolVar What)> _worth = [];
    private readonly List<Chosen> _groups = [];
    private readonly bool _isWhole;

    public PlanModel(GroupingProblem problem, IReadOnlyList<IReadOnlyList<int>> start)
    {
        _problem = problem;
        var possible = PossibleGroups.Of(problem).Take(MostGroups + 1).ToList();
        _isWhole = possible.Count <= MostGroups;
        // What the plan to begin with has is among them, whatever else is left out.
        var begun = Enumerable.Range(0, start.Count).Where(child => start[child].Count > 0).GroupBy(child => start[child].Min())
            .Select(group => (IReadOnlyList<int>)[.. group.Order()]);
        foreach (var group in possible.Take(MostGroups).Concat(begun).DistinctBy(group => string.Join(' ', group))) State(group);
        StateOnce();
        foreach (var group in _groups)
        {
            var isBegun = group.Children.All(child => start[child].Count > 0 && start[child].Min() == start[group.Children[0]].Min())
                && start.Index().Count(each => each.Item.Count > 0
                    && each.Item.Min() == start[group.Children[0]].Min()) == group.Children.Count;
            _model.AddHint(group.Is, isBegun ? 1 : 0);
            foreach (var (slot, at) in group.At) _model.AddHint(at, isBegun && start[group.Children[0]].Contains(slot) ? 1 : 0);
        }
        _model.Maximize(LinearExpr.WeightedSum(_worth.Select(part => part.What), _worth.Select(part => part.Worth)));
    }

    private sealed record Chosen(IReadOnlyList<int> Children, BoolVar Is, IReadOnlyList<(int Slot, BoolVar At)> At);

    /// <summary>How many groups there are to choose from.</summary>
    public int Groups => _groups.Count;

    /// <summary>Looks for a plan that is worth more than the one to begin with.</summary>
    /// <param name="start">The plan to begin with.</param>
    /// <param name="effort">How long is looked at most, in the solver's own measure.</param>
    public SolvedPlan Solve(IReadOnlyList<IReadOnlyList<int>> start, double effort = UsualEffort)
    {
        if (_groups.Count == 0) return new SolvedPlan(start, 0);
        var solver = new CpSolver
        {
            StringParameters = FormattableString.Invariant(
                $"num_search_workers:1,random_seed:1,max_deterministic_time:{effort},linearization_level:2,cp_model_probing_level:0"),
        };
        var status = solver.Solve(_model);
        // No plan is worth more than all children with all their seats. What is worth a fraction is worth nothing.
        var most = _problem.Children.Sum(child => PlanWorth.Placed + PlanWorth.Practised
            + ((PlanWorth.FurtherSeat + PlanWorth.Stays) * child.Seats));
        var bound = _isWhole ? Math.Min((long)Math.Floor(solver.BestObjectiveBound + 1e-6), most) : most;
        if (status is not (CpSolverStatus.Optimal or CpSolverStatus.Feasible)) return new SolvedPlan(start, most);
        var plan = _problem.Children.Select(_ => new List<int>()).ToList();
        foreach (var (group, slot) in _groups.SelectMany(group => group.At.Where(at => solver.BooleanValue(at.At))
            .Select(at => (group, at.Slot))))
        {
            foreach (var child in group.Children) plan[child].Add(slot);
        }
        return new SolvedPlan([.. plan], bound);
    }

    /// <summary>A group that may be chosen, and the slots that it may be given.</summary>
    private void State(IReadOnlyList<int> children)
    {
        var slots = children.Skip(1).Aggregate(_problem.Children[children[0]].Slots.AsEnumerable(),
            (common, child) => common.Intersect(_problem.Children[child].Slots)).Order().ToList();
        if (slots.Count == 0) return;
        var name = string.Join(' ', children);
        var chosen = _model.NewBoolVar(name);
        var at = slots.ConvertAll(slot => (Slot: slot, At: _model.NewBoolVar($"{name} at {slot}")));
        _groups.Add(new Chosen(children, chosen, at));
        foreach (var (_, comes) in at) _model.AddImplication(comes, chosen);
        _model.AddBoolOr([chosen.Not(), .. at.Select(each => each.At)]);
        foreach (var day in at.GroupBy(each => _problem.Slots[each.Slot].Day).Where(day => day.Count() > 1))
            _model.AddAtMostOne(day.Select(each => each.At));
        foreach (var child in children.DistinctBy(child => _problem.Children[child].Seats))
        {
            _model.Add(LinearExpr.WeightedSum(at.Select(each => each.At), at.Select(each => _problem.SeatsIn(each.Slot, child)))
                <= _problem.Children[child].Seats);
        }
        // The first seat is counted with the place, the others by themselves.
        _worth.Add((children.Sum(child =>
            PlanWorth.Placed + (_problem.Children[child].IsInRechecks ? 0 : PlanWorth.Practised) - PlanWorth.FurtherSeat), chosen));
        var classes = children.Select(child => _problem.Children[child].Class).Distinct().Count();
        foreach (var (slot, comes) in at)
        {
            _worth.Add((PlanWorth.FilledSlot + (PlanWorth.OtherClass * (classes - 1)) + children.Sum(child =>
                (PlanWorth.FurtherSeat * _problem.SeatsIn(slot, child))
                    + (_problem.Children[child].Now.Contains(slot) ? PlanWorth.Stays : 0)), comes));
        }
        StateTeachers(name, children.Count, chosen, at);
    }

    private void StateTeachers(string name, int children, BoolVar chosen, List<(int Slot, BoolVar At)> at)
    {
        var teachers = at.GroupBy(each => _problem.Slots[each.Slot].Teacher).ToList();
        if (teachers.Count < 2) return;
        foreach (var teacher in teachers)
        {
            var has = _model.NewBoolVar($"{name} by {teacher.Key}");
            foreach (var (_, comes) in teacher) _model.AddImplication(comes, has);
            _worth.Add((PlanWorth.OtherTeacher * children, has));
        }
        _worth.Add((-PlanWorth.OtherTeacher * children, chosen));
    }

    /// <summary>A child is in one group, a slot has one, and some slots are kept free.</summary>
    private void StateOnce()
    {
        for (var child = 0; child < _problem.Children.Count; child++)
        {
            var those = _groups.Where(group => group.Children.Contains(child)).Select(group => group.Is).ToList();
            if (those.Count > 1) _model.AddAtMostOne(those);
        }
        var all = _groups.SelectMany(group => group.At).ToList();
        foreach (var slot in all.GroupBy(at => at.Slot)) _model.AddAtMostOne(slot.Select(at => at.At));
        if (all.Count > 0) _model.Add(LinearExpr.Sum(all.Select(at => at.At)) <= _problem.MostFilled);
    }
}
