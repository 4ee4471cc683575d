# The arithmetic of every tree in a data frame, on the trees that the benchmark `replan trees.csv` writes:
#   Rscript benchmarks/replan.R trees.csv
# Targets and floral buds to leave by planting and trunk class, then what each tree is over. No cuts: that is a search.
trees <- read.csv(commandArgs(TRUE)[1])
trees$planting <- factor(trees$planting)

# Fruit wanted on a tree, as the benchmark has it: twelve plantings of one kind, four and three of others, one of
# cherries.
wanted <- rep(c(90, 110, 100, 700), c(12, 4, 3, 1))

replan <- function(times) {
  area <- trees$girth^2 / (4 * pi)
  limits <- do.call(rbind, tapply(trees$girth, trees$planting, quantile, c(0.25, 0.75)))
  at <- as.integer(trees$planting)
  class <- 1L + (trees$girth >= limits[at, 1]) + (trees$girth >= limits[at, 2])
  group <- (at - 1L) * 3L + class
  mean_of <- function(x, by) { s <- rowsum(x, by); s / as.vector(table(by)) }
  of_planting <- mean_of(area, at)
  of_class <- rowsum(area, group) / as.vector(table(group))
  row <- match(group, as.integer(rownames(of_class)))
  fruit <- times * wanted[1 + (as.integer(levels(trees$planting))[at] %% 20)]
  leave <- fruit * 1.7 * of_class[row] / of_planting[at]
  over <- trees$buds - leave
  data.frame(class, leave, over)
}

for (round in 0:4) {
  gc(reset = TRUE)
  took <- system.time(plan <- replan(1 + 0.02 * round))["elapsed"]
  memory <- sum(gc()[, 6])
  cat(sprintf("R data frame: %.2f s, %d trees, %.1f buds a tree to leave, largest %.0f MB\n",
              took, nrow(trees), mean(plan$leave), memory))
}
