namespace Umbick.Casework;

/// <summary>A step of a school's first hour.</summary>
public enum FirstStep
{
    /// <summary>A child comes on the caseload.</summary>
    AddChild,

    /// <summary>Somebody is asked.</summary>
    Ask,

    /// <summary>Somebody gets a set.</summary>
    GiveSet,
}

/// <summary>What leads an empty school from its first child to its first set.</summary>
/// <param name="Left">The steps that are not done yet, in order; none once the first set is given.</param>
/// <param name="Child">The child who is asked first; null before there is one.</param>
public sealed record FirstHour(IReadOnlyList<FirstStep> Left, CaseloadRow? Child)
{
    /// <summary>Where the school is in it, by its caseload.</summary>
    public static FirstHour From(IEnumerable<CaseloadRow> caseload)
    {
        var children = caseload.OrderBy(child => child.Alias, StringComparer.Ordinal).ToList();
        if (children.Exists(child => child.OpenSet is not null || child.LastSetAlone is not null || child.LastPractised is not null))
            return new FirstHour([], null);
        List<FirstStep> left = [];
        if (children.Count == 0) left.Add(FirstStep.AddChild);
        if (children.TrueForAll(child => child.LastSeen is null)) left.Add(FirstStep.Ask);
        return new FirstHour([.. left, FirstStep.GiveSet], children.FirstOrDefault());
    }
}
