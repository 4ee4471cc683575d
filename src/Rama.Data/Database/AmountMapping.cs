using System.Linq.Expressions;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Core.Quantities;

namespace Rama.Data.Database;

/// <summary>An amount is stored as typed, in two columns: its number and the code of its unit.</summary>
internal static class AmountMapping
{
    public static void Amount<T>(this EntityTypeBuilder<T> builder, Expression<Func<T, Amount>> property)
        where T : class => builder.ComplexProperty(property!, amount => amount.Property(a => a.Unit).HasMaxLength(16));
}
