namespace Umbick.Rows;

/// <summary>What is asked in a sitting.</summary>
public enum Plan
{
    /// <summary>Each item is chosen by the answers before it.</summary>
    Adaptive,

    /// <summary>A fixed form.</summary>
    Form,

    /// <summary>The prerequisite skills.</summary>
    Prerequisites,

    /// <summary>One of each of the tasks that the teacher chose.</summary>
    Chosen,

    /// <summary>A few bare clocks for one pattern, before a word of help.</summary>
    ColdStart,
}

/// <summary>Plans as they stand in rows: these names never change.</summary>
internal static class PlanNames
{
    public static string NameOf(Plan plan) => plan switch
    {
        Plan.Adaptive => "adaptive",
        Plan.Form => "form",
        Plan.Prerequisites => "ground",
        Plan.ColdStart => "cold",
        _ => "chosen",
    };

    public static Plan Read(string name) => name switch
    {
        "adaptive" => Plan.Adaptive,
        "form" => Plan.Form,
        "ground" => Plan.Prerequisites,
        "cold" => Plan.ColdStart,
        _ => Plan.Chosen,
    };
}
