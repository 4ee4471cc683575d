using System.Text.Json;
using Rama.Core.Explain;
using Rama.Data.Database;

namespace Rama.Data.Field;

/// <summary>
/// What entries of one kind are and do; each stage has its own, and the inbox knows none of them by name.
/// </summary>
public abstract class FieldHandler
{
    /// <summary>The kind.</summary>
    public abstract FieldKind Kind { get; }

    /// <summary>Name the body is kept under.</summary>
    protected internal abstract string Member { get; }

    /// <summary>Whether it is always about one tree.</summary>
    protected internal virtual bool NeedsTree => false;

    /// <summary>Whether it is always about one row.</summary>
    protected internal virtual bool NeedsRow => true;

    /// <summary>Whether it reports work, which is for those who lead it.</summary>
    public virtual bool IsReport => false;

    /// <summary>The body of an entry kept; null where it tells nothing itself.</summary>
    /// <param name="entry">The entry.</param>
    public JsonElement? BodyOf(FieldEntryRecord entry) => entry.ReadBody(Member);

    /// <summary>The body checked and as it is kept.</summary>
    /// <param name="entry">The entry, its place checked.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    protected internal abstract JsonElement Read(FieldEntry entry);

    /// <summary>Whether its stage can hold one more.</summary>
    /// <param name="ground">What its planting and season hold.</param>
    protected internal virtual bool HasRoom(FieldGround ground) => true;

    /// <summary>An entry kept, as it came.</summary>
    /// <param name="entry">The entry.</param>
    internal FieldEntry EntryOf(FieldEntryRecord entry) =>
        new()
        {
            Id = entry.Id,
            Sequence = entry.Sequence,
            Planting = entry.PlantingId,
            At = entry.At,
            Kind = Kind.ToString(),
            Row = entry.Row,
            Tree = entry.Tree,
            Body = BodyOf(entry),
        };

    /// <summary>Whether pages read its entries themselves, so that one that cannot be read would break them.</summary>
    protected internal virtual bool IsReadAsKept => false;

    /// <summary>Reads the body of an entry kept once more.</summary>
    /// <param name="entry">The entry.</param>
    /// <exception cref="UnusableEntryException">It says what no entry of its kind may say.</exception>
    /// <exception cref="JsonException">It cannot be read at all.</exception>
    protected internal abstract void CheckKept(FieldEntryRecord entry);

    /// <summary>Takes it over where its stage holds it.</summary>
    /// <param name="taken">The entry and what it is taken into.</param>
    protected internal virtual FieldState TakeOver(FieldTaken taken) => FieldState.InForce;

    /// <summary>Takes an entry in force out of its stage again.</summary>
    /// <param name="ground">What its planting and season hold.</param>
    /// <param name="entry">The entry.</param>
    protected internal virtual void Withdraw(FieldGround ground, FieldEntryRecord entry) { }

    /// <summary>Puts an entry in the place of what is in force, and tells which entry that was.</summary>
    /// <param name="ground">What its planting and season hold.</param>
    /// <param name="entry">The entry chosen.</param>
    protected internal virtual Guid? Choose(FieldGround ground, FieldEntryRecord entry) => null;

    /// <summary>What is in force where the entry is in conflict; null where nothing is.</summary>
    /// <param name="ground">What its planting and season hold.</param>
    /// <param name="entry">The entry.</param>
    public virtual JsonElement? InForce(FieldGround ground, FieldEntryRecord entry) => null;
}

/// <summary>The handler of a kind whose body is a <typeparamref name="T"/>.</summary>
/// <typeparam name="T">Form of the body.</typeparam>
public abstract class FieldHandler<T> : FieldHandler
    where T : class
{
    /// <summary>The body of an entry kept.</summary>
    /// <param name="entry">The entry.</param>
    public new T BodyOf(FieldEntryRecord entry) => Read(entry.ReadBody(Member)!.Value);

    /// <inheritdoc />
    protected internal sealed override void CheckKept(FieldEntryRecord entry)
    {
        if (entry.ReadBody(Member) is not { ValueKind: JsonValueKind.Object })
            throw new JsonException($"No {Member} in it.");
        Check(BodyOf(entry));
    }

    /// <summary>The body of an entry that came in.</summary>
    /// <param name="entry">The entry, already read.</param>
    protected static T BodyOf(FieldEntry entry) => Read(entry.Body!.Value);

    private static T Read(JsonElement body) => body.Deserialize<T>(StoredJson.Part)!;

    /// <inheritdoc />
    protected internal sealed override JsonElement Read(FieldEntry entry)
    {
        T? body;
        try
        {
            body = entry.Body?.Deserialize<T>(StrictJson.Options);
        }
        catch (JsonException e)
        {
            throw new UnusableEntryException([
                new($"body.{StrictJson.FieldOf(e)}".TrimEnd('.'), StrictJson.CodeOf(e), StrictJson.ExpectationOf(e)),
            ]);
        }
        if (body is null)
            throw new UnusableEntryException([new("body", "type", "This cannot be read.")]);
        try
        {
            Check(Placed(body, entry));
        }
        catch (UnusableEntryException e)
        {
            throw new UnusableEntryException([
                .. e.Problems.Select(p => p with { Field = $"body.{p.Field}".TrimEnd('.') }),
            ]);
        }
        return JsonSerializer.SerializeToElement(Placed(body, entry), StoredJson.Part);
    }

    /// <summary>The body with the entry's row and tree in it.</summary>
    /// <param name="body">The body.</param>
    /// <param name="entry">The entry.</param>
    protected virtual T Placed(T body, FieldEntry entry) => body;

    /// <summary>Checks the body by itself.</summary>
    /// <param name="body">The body, placed.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    protected abstract void Check(T body);

    /// <summary>Reads something that holds the body alone in a list, and tells problems from the body on.</summary>
    /// <param name="prefix">Path of the body in it.</param>
    /// <param name="read">Reads it.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    protected static void CheckAlone(string prefix, Func<object> read)
    {
        try
        {
            read();
        }
        catch (UnusableEntryException e)
        {
            throw new UnusableEntryException([
                .. e.Problems.Select(p =>
                    p.Field.StartsWith(prefix, StringComparison.Ordinal)
                        ? p with
                        {
                            Field = p.Field[prefix.Length..],
                        }
                        : p
                ),
            ]);
        }
    }
}

/// <summary>An entry being taken over.</summary>
/// <param name="Ground">What its planting and season hold.</param>
/// <param name="Entry">The entry.</param>
/// <param name="Replaced">The entry it takes the place of; null for none.</param>
public sealed record FieldTaken(FieldGround Ground, FieldEntry Entry, FieldEntryRecord? Replaced);
