# How much longer plantings and crews take, from six row sets: estate, planting and crew a third of .35^2 each, .25^2
# within a set, sets by their trees.
options(digits = 12)
p <- c(1,1,2,2,3,3); c <- c(1,2,1,1,2,2); r <- c(.21,.34,.08,.27,-.1,.05); w <- c(100,200,150,50,120,180)
part <- .35^2/3; within <- .25^2; Zp <- outer(p,1:3,"=="); Zc <- outer(c,1:2,"==")
V <- part*(1 + Zp%*%t(Zp) + Zc%*%t(Zc)) + diag(within*mean(w)/w)
Vi <- solve(V)
k <- part*(1 + Zp[,1]); m <- sum(k*(Vi%*%r)); v <- 2*part - t(k)%*%Vi%*%k; cat("planting A", m, sqrt(v), "\n")
k <- part*(1 + Zp[,2] + Zc[,2]); m <- sum(k*(Vi%*%r)); v <- 3*part - t(k)%*%Vi%*%k; cat("planting B crew 2", m, sqrt(v), "\n")
k <- part*Zc[,1]; m <- sum(k*(Vi%*%r)); v <- part - t(k)%*%Vi%*%k; cat("crew 1", m, sqrt(v), "\n")
