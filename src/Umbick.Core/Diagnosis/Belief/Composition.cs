using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// Composes the steps of an item for all parts of a sub-space at once. After each step most compositions have come to the same readings:
/// those are kept once, so that a few hundred states stand for thousands of compositions.
/// </summary>
internal static class Composition
{
    /// <summary>Composes an item's steps.</summary>
    /// <param name="space">The whole space.</param>
    /// <param name="subSpace">The steps that the item touches.</param>
    /// <param name="item">The item.</param>
    /// <param name="outcome">Takes what is in mind after the last step, and gives it a place.</param>
    /// <returns>The place of each part's outcome.</returns>
    public static int[] Compose(ProcedureSpace space, SubSpace subSpace, Item item, Func<PartialReadings, int> outcome)
    {
        var after = new PartialReadings();
        after.Add(PartialReading.Before(item.Time), 1);
        List<State> states = [new State(after)];
        var stateOfPart = new int[subSpace.Size];
        Step[] steps = [.. item.Task.Order.Where(subSpace.Steps.Contains)];
        foreach (var step in steps)
        {
            var ways = space.At(step);
            var next = new StateTable();
            var places = new int[states.Count * ways.Count];
            for (var state = 0; state < states.Count; state++)
            {
                for (var choice = 0; choice < ways.Count; choice++)
                {
                    after.Clear();
                    states[state].Take(ways[choice].Rule, ways[0].Rule, item.Task.Inverse, after);
                    places[(state * ways.Count) + choice] = step == steps[^1] ? outcome(after) : next.PlaceOf(after);
                }
            }
            var choices = subSpace.StatesAt(step);
            for (var part = 0; part < stateOfPart.Length; part++) stateOfPart[part] =
                places[(stateOfPart[part] * ways.Count) + choices[part]];
            states = next.States;
        }
        return stateOfPart;
    }

    /// <summary>What may be in a child's mind between two steps.</summary>
    private sealed class State(PartialReadings readings)
    {
        private readonly PartialReading[] _readings = readings.All.ToArray();
        private readonly double[] _shares = readings.Shares.ToArray();

        public void Take(StepRule rule, StepRule correct, bool inverse, PartialReadings after)
        {
            for (var i = 0; i < _readings.Length; i++)
            {
                if (!inverse) rule.Read(_readings[i], _shares[i], after);
                else if (_readings[i].SetsRightly && SettingRule.Covers(rule.Step)) correct.Invert(_readings[i], _shares[i], after);
                else rule.Invert(_readings[i], _shares[i], after);
            }
        }

        public bool Is(PartialReadings other)
        {
            if (other.Count != _readings.Length) return false;
            for (var i = 0; i < _readings.Length; i++)
            {
                if (Math.Abs(other.Shares[i] - _shares[i]) > 1e-9 || !other.All[i].Equals(_readings[i])) return false;
            }
            return true;
        }
    }

    /// <summary>States that were come to, each kept once.</summary>
    private sealed class StateTable
    {
        private readonly Dictionary<int, List<int>> _byHash = [];

        public List<State> States { get; } = [];

        public int PlaceOf(PartialReadings readings)
        {
            var hash = 0;
            foreach (ref readonly var reading in readings.All) hash = (hash * 31) + reading.GetHashCode();
            if (!_byHash.TryGetValue(hash, out var places)) _byHash[hash] = places = [];
            foreach (var place in places)
            {
                if (States[place].Is(readings)) return place;
            }
            places.Add(States.Count);
            States.Add(new State(readings));
            return States.Count - 1;
        }
    }
}
