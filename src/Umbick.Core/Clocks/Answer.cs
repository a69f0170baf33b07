namespace Umbick.Core.Clocks;

/// <summary>What could be read in an answer exactly as it was given. The raw text is kept beside it, for ever.</summary>
public abstract record Answer
{
    /// <summary>The answer in few signs, as it stands under a face.</summary>
    public abstract string Short(Wording wording);

    /// <summary>The answer where it is to be chosen: words in full, figures as they are written here.</summary>
    public virtual string ToChoose(Wording wording) => Short(wording);

    /// <summary>The time this answer means, or null where it means none.</summary>
    public virtual ClockTime? Meaning => null;

    /// <summary>Whether it is right or wrong; else it cannot be read, or not yet, and counts for neither.</summary>
    public virtual bool IsScored => true;
}

/// <summary>A time in words with past, to or o'clock.</summary>
public sealed record WordsAnswer(SpokenTime Time) : Answer
{
    /// <inheritdoc/>
    public override ClockTime? Meaning => Time.Meaning();

    /// <inheritdoc/>
    public override string Short(Wording wording) => wording.Short(Time);

    /// <inheritdoc/>
    public override string ToChoose(Wording wording) => wording.Words(Time);
}

/// <summary>Yes: the time they were shown for the clock is right, or the teacher noted no more than that it was.</summary>
public sealed record SaidRight : Answer
{
    /// <inheritdoc/>
    public override string Short(Wording wording) => "right";
}

/// <summary>The child gave no answer.</summary>
public sealed record NoAnswer : Answer
{
    /// <inheritdoc/>
    public override string Short(Wording wording) => "no answer";
}

/// <summary>The child said that they do not know.</summary>
public sealed record DontKnow : Answer
{
    /// <inheritdoc/>
    public override string Short(Wording wording) => "don't know";
}

/// <summary>Something that could not be read as any answer. It is kept and shown as it is.</summary>
/// <param name="Raw">The text as it was given.</param>
public sealed record Unread(string Raw) : Answer
{
    /// <inheritdoc/>
    public override bool IsScored => false;

    /// <inheritdoc/>
    public override string Short(Wording wording) => $"“{Raw}”";
}

/// <summary>An answer to a question that is no reading of a clock: text, a number or a choice.</summary>
public sealed record TextAnswer(string Text) : Answer
{
    /// <inheritdoc/>
    public override string Short(Wording wording) => Text;
}

/// <summary>No: the time they were shown for the clock is wrong, without saying what is right.</summary>
public sealed record SaidWrong : Answer
{
    /// <inheritdoc/>
    public override string Short(Wording wording) => "wrong";
}
