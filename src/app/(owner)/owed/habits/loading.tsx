export { Loading as default } from '@/ui/Loading'
