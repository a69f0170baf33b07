using Umbick.Core.Diagnosis;
using Umbick.Training;

namespace Umbick.Web.Pages.Trainer;

/// <summary>What of the trainer takes a processor: one at a time, so that nobody who trains slows down a lesson.</summary>
public sealed class TrainerTurns(ReadingModel model) : IDisposable
{
    private readonly SemaphoreSlim _turn = new(1);
    private readonly MadeUpChildren _children = new(model);

    /// <summary>The patterns that children may have.</summary>
    public TrainingPatterns Patterns => _children.Patterns;

    /// <summary>The number of a child of a level.</summary>
    public Task<int> SeedAt(TrainingLevel level, int place, CancellationToken cancel) => InTurn(() => _children.SeedAt(level, place),
        cancel);

    /// <summary>The child of a number; null where there is none such.</summary>
    public Task<MadeUpChild?> ChildOf(TrainingLevel level, int seed, CancellationToken cancel) =>
        InTurn(() => _children.Find(level, seed), cancel);

    /// <summary>What a conversation comes to, and what the engine would have asked.</summary>
    public Task<(Feedback Feedback, EnginePath Engine)> Weigh(Conversation conversation, Verdict given, CancellationToken cancel) =>
        InTurn(() => (Feedback.On(_children.Oracle, conversation, given),
            EnginePath.Of(model, Patterns, conversation.Child, conversation.Items.Count)), cancel);

    public void Dispose() => _turn.Dispose();

    private async Task<T> InTurn<T>(Func<T> work, CancellationToken cancel)
    {
        await _turn.WaitAsync(cancel);
        try
        {
            return work();
        }
        finally
        {
            _turn.Release();
        }
    }
}
