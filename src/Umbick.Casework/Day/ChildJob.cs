using Umbick.Core.Progress;
using Umbick.Core.Timetabling;

namespace Umbick.Casework;

/// <summary>A job of the timetable, with what it is in the child's case.</summary>
/// <param name="Job">The job.</param>
/// <param name="What">What is done.</param>
public sealed record ChildJob(Job Job, WhatNext What)
{
    /// <summary>A visit and an asking take a whole slot.</summary>
    private const int WholeSlot = Slot.Usual;

    /// <summary>What there is to do with a child until a day, the most pressing first.</summary>
    /// <param name="child">The child.</param>
    /// <param name="today">The day that it is.</param>
    /// <param name="to">The last day that is planned.</param>
    public static IReadOnlyList<ChildJob> For(CaseloadChild child, DateOnly today, DateOnly to)
    {
        var summary = child.SummaryOn(today);
        var (state, id) = (summary.State, child.Child.Id);
        var jobs = new List<ChildJob>();
        if (!state.AskingOpen)
        {
            foreach (var check in summary.Due.Where(check => check.IsDueOn(to)))
                jobs.Add(new ChildJob(new Job(check.Form is { } form ? $"form {form}" : $"look {check.Pattern!.Id}", id, JobNeed.Due,
                    check.Day, check.Minutes), summary.NextIn(state with { Due = check })));
        }
        var other = summary.NextIn(state with { Due = null });
        if (other is { Step: NextStep.LookInAgain } && (state.Later ?? state.Due) is not null) return jobs;
        var need = other.Step == NextStep.AskFirst ? JobNeed.Whenever : JobNeed.Regular;
        jobs.Add(new ChildJob(new Job(other.Step.ToString(), id, need, child.Child.AddedOn, WholeSlot), other));
        return jobs;
    }
}
