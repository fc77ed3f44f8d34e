export { Opening as default } from '@/ui/parts/Opening';
